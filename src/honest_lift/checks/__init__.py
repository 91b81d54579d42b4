"""Every named check: estimates and limits in, findings out. Screen, report and tests read findings and nothing else."""
