"""Request bodies and queries that only one router uses."""
