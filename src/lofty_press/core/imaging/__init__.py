"""What photographs tell: tools on a sheet, reliefs by their shading, pressed sheets."""
