"""One file a step; each has a way back."""
