"""What goes through the rollers: stocks, materials, layers and presses, reliefs and outlines of tools."""
