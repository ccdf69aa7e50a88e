"""What every storey stands on: texts, quantities, units, air, facts of the trade, refusals."""
