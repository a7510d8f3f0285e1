"""What routes share of reading the house: its larder, its conditions, its trials."""
