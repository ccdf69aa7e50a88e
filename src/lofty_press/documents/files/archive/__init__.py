"""One file with everything that somebody made: a zip of JSON, TIFF, SVG and JPEG, with a manifest that names and hashes each part."""
