"""Printed drinks: a card, a station card, two trials side by side, a menu sheet."""
