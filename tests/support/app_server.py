"""The product as a process of its own, for the browser tests, the bench and the screenshots."""

import json
import os
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import time
import urllib.request
from functools import cache
from pathlib import Path
from typing import Any

from oenomel.demo import scenario

BROWSERS = ("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")

CHROMIUM: dict[str, Any] = {
    "executable_path": next((path for path in BROWSERS if Path(path).exists()), BROWSERS[-1]),
    "args": [
        "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
        "--disable-component-update", "--disable-sync", "--disable-extensions", "--disable-hang-monitor",
        "--disable-features=IsolateOrigins,site-per-process,Translate,MediaRouter",
        "--force-color-profile=srgb", "--font-render-hinting=none",
    ],
}  # fmt: skip


@cache
def _forks() -> subprocess.Popen[str]:
    """The process from which servers are forked, one for all of them; it ends with this one, whose end it reads."""
    warmed = _demo().with_name("warmed.db")
    shutil.copyfile(_demo(), warmed)
    command = [sys.executable, "-m", "support.fork_server", str(warmed)]
    tests = Path(__file__).parents[1]
    path = os.pathsep.join((str(tests), str(tests.parent / "src")))
    environment = {**os.environ, "PYTHONWARNINGS": "error", "OPENBLAS_NUM_THREADS": "1", "PYTHONPATH": path}
    return subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True, env=environment)


@cache
def _demo() -> Path:
    """A data file with the demo in it, made once: to be copied."""
    made = Path(tempfile.mkdtemp(prefix="oenomel-demo-")) / "demo.db"
    scenario.prepare(made)
    return made


class AppServer:
    """`oenomel serve --demo` on a free port, over a data file that outlives it; open to the network with ``share``."""

    def __init__(self, data: Path, *, share: bool = False) -> None:
        self.data = data
        self.sharing = ["--host", "0.0.0.0", "--share"] if share else []
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            self.port = probe.getsockname()[1]
        self.url = f"http://127.0.0.1:{self.port}"
        self.process = 0

    def start(self) -> None:
        if not self.data.exists():
            shutil.copyfile(_demo(), self.data)
        forks = _forks()
        assert forks.stdin is not None
        assert forks.stdout is not None
        forks.stdin.write(json.dumps(["serve", "--demo", "--data", str(self.data), "--port", str(self.port), *self.sharing]) + "\n")
        forks.stdin.flush()
        self.process = int(forks.stdout.readline())
        deadline = time.monotonic() + 20
        while time.monotonic() < deadline:
            try:
                with urllib.request.urlopen(f"{self.url}/api/health", timeout=1):
                    return
            except OSError:
                time.sleep(0.02)
        raise TimeoutError("the server doesn't answer")

    def kill(self) -> None:
        """Ends it as a power cut would."""
        if self.process:
            os.kill(self.process, signal.SIGKILL)
            self.process = 0
            # The port is free once the process is gone.
            deadline = time.monotonic() + 10
            while time.monotonic() < deadline:
                with socket.socket() as probe:
                    if probe.connect_ex(("127.0.0.1", self.port)) != 0:
                        return
                time.sleep(0.01)
