"""What happens between the rollers: contact and pressure, cutting, forming, feed, wear."""
