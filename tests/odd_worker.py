"""A worker process whose tasks go wrong in every way: `python -m odd_worker` with the tests' folder on the path."""

import os
import signal
import time
from pathlib import Path

from honest_lift.workers.tasks import TASKS
from honest_lift.workers.worker import serve


def raise_something(tell, wanted):
    raise ZeroDivisionError("of all things")


def die(tell, wanted, once=""):
    """Be killed: every time, or only while a file is not there."""
    if not once or not Path(once).exists():
        if once:
            Path(once).touch()
        os.kill(os.getpid(), signal.SIGKILL)
    return "done the second time"


def heed_nothing(tell, wanted):
    tell("at it")
    time.sleep(3600)


def count_up(tell, wanted, to):
    for one in range(to):
        if not wanted():
            return one
        tell(one)
        time.sleep(0.01)
    return to


def hang(tell, wanted):
    """Stop the whole process, so that it answers nothing."""
    os.kill(os.getpid(), signal.SIGSTOP)


if __name__ == "__main__":
    serve({**TASKS, **{one.__name__: one for one in (raise_something, die, heed_nothing, count_up, hang)}})
