"""What is run by those who build the desk."""
