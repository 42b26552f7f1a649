"""Migrations of the database, the first table included."""
