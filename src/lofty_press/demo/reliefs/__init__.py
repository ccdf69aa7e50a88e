"""The reliefs of the press room's tools, drawn by code: one function a tool, found by the key in its item."""
