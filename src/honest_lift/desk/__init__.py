"""The Qt window: a face on all of the above, and no arithmetic."""
