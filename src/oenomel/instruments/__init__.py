"""Devices that measure a drink: an interface for each, and simulated stand-ins that ship."""
