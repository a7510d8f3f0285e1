"""Measuring devices: an interface for each, and simulated ones."""
