"""Photographs of tools: the sheet to print, and what a photo of it shows."""
