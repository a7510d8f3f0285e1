"""Drinks on paper: the card of one, the card for the station, two trials beside each other, a whole list on a sheet."""
