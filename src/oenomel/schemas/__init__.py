"""Pydantic models of everything that is read and written as JSON: the spec, requests, reports and the house file."""
