"""The product as a process of its own, for the browser tests, the bench and the screenshots."""

import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path
from typing import Any

CHROMIUM: dict[str, Any] = {
    "executable_path": "/usr/bin/chromium",
    "args": [
        "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
        "--disable-component-update", "--disable-sync", "--force-color-profile=srgb", "--font-render-hinting=none",
    ],
}  # fmt: skip


class AppServer:
    """`oenomel serve --demo` on a free port, over a data file that outlives it."""

    def __init__(self, data: Path) -> None:
        self.data = data
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            self.port = probe.getsockname()[1]
        self.url = f"http://127.0.0.1:{self.port}"
        self.process: subprocess.Popen[bytes] | None = None

    def start(self) -> None:
        command = [sys.executable, "-m", "oenomel", "serve", "--demo", "--data", str(self.data), "--port", str(self.port)]
        self.process = subprocess.Popen(command, stdout=subprocess.DEVNULL, env={**os.environ, "PYTHONWARNINGS": "error"})
        deadline = time.monotonic() + 20
        while time.monotonic() < deadline:
            try:
                with urllib.request.urlopen(f"{self.url}/api/health", timeout=1):
                    return
            except OSError:
                time.sleep(0.05)
        raise TimeoutError("the server doesn't answer")

    def kill(self) -> None:
        """Ends it as a power cut would."""
        if self.process:
            self.process.send_signal(signal.SIGKILL)
            self.process.wait()
            self.process = None
