"""The rows of the quantity catalog, a file for each step of the job."""
