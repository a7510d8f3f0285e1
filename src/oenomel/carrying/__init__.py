"""A house, or some drinks of it, carried out of its data file and into another: gathered, held against what is there, and taken in."""
