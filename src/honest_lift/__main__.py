"""`python -m honest_lift` is the same as `honest-lift`."""

import sys

from honest_lift.cli import main

if __name__ == "__main__":
    sys.exit(main())
