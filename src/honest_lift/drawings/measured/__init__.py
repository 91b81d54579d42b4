"""How a quantity is measured: usual parts, never this engine's, the two surfaces and what lies between them in the mark's ink."""
