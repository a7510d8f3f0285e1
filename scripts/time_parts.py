"""Runs parts of the make file one after the other and prints how long each took, so that a slow one is seen.

Usage: time_parts.py PART..., each one or more targets that make may run beside each other. Ends with the first part that fails.
"""

from __future__ import annotations

import os
import subprocess
import sys
import time


def main(parts: list[str]) -> int:
    """Run the parts; the exit code is that of the one that failed, or 0."""
    took: list[tuple[str, float]] = []
    code = 0
    for part in parts:
        targets = part.split()
        beside = ["-j2", "--output-sync=target"] if len(targets) > 1 else []
        start = time.monotonic()
        code = subprocess.run(["make", "-s", *beside, *targets], check=False).returncode
        took.append((part, time.monotonic() - start))
        if code:
            break
    print(f"\n{'part':<40} {'time':>8}   on {os.cpu_count()} processors, load {os.getloadavg()[0]:.1f}")
    for part, seconds in took:
        print(f"{part:<40} {seconds:>6.0f} s")
    print(f"{'all':<40} {sum(seconds for _, seconds in took):>6.0f} s", flush=True)
    return code


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
