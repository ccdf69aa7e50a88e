"""Attacks on the whole running application from outside: pulled plugs, full disks, hostile files, slow clients, many requests."""
