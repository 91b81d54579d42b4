"""What carries the lobe's lift to the valve: rocker and pushrod."""
