"""From a stimulus to the printed value of one reading: the links of the chain, and what moves each."""
