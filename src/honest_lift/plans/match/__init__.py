"""The match: which springs, retainers, locks and heights suit this cam, of what lies on the shelf."""
