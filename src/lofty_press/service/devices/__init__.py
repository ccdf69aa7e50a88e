"""Instruments that the page hears."""
