"""Measuring devices: an interface for each, and simulated stand-ins that ship."""
