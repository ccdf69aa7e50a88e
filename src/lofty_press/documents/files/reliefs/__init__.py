"""Reliefs in: pictures, outlines and solids become height maps, or are refused with a reason."""
