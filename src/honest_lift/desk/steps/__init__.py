"""The steps of the job, one file each: what is read there, how far it is, whether it is judged, and its sheet."""
