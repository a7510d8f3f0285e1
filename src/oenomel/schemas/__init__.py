"""Pydantic models of all JSON that is read and written: the spec, requests, reports and the house file."""
