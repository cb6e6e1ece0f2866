"""`python -m verifex.core`: the same as the console script `verifex`."""

import sys

from verifex.core.cli import main

sys.exit(main())
