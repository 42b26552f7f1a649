"""A served desk for tests: the real command in a process of its own."""

from __future__ import annotations

import os
import random
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.parse
import urllib.request
from pathlib import Path

STARTING_SECONDS = 60.0


class Server:
    """`lantern serve` on a free port, on a folder that outlives it.

    It listens with the built-in ears alone, unless it is to have those of this machine.
    """

    def __init__(
        self, folder: Path, demo: bool = False, port: int | None = None, ears: bool = False
    ) -> None:
        self.port = port or free_port()
        args = ["serve", "--port", str(self.port), "--data", str(folder)]
        python = [sys.executable, "-X", "faulthandler"]  # a crash, or `stacks`, says where it is
        command = [*python, "-m", "nimble_lantern.cli", *args, *(["--demo"] if demo else [])]
        around = os.environ if ears else {**os.environ, "LANTERN_EARS": str(folder / "no-ears")}
        self.process = subprocess.Popen(command, stdout=subprocess.DEVNULL, env=around)
        deadline = time.monotonic() + STARTING_SECONDS
        while time.monotonic() < deadline:
            try:
                self.get("/news?page=waiting")
                return
            except OSError:
                if self.process.poll() is not None:
                    break
                time.sleep(0.1)
        raise AssertionError("the server did not start")

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def get(self, path: str) -> str:
        with urllib.request.urlopen(self.address + path, timeout=20) as answer:
            return answer.read().decode()

    def says(self, line: str, page: str = "test") -> str:
        """Say a line; the fragments that changed.  It is on the disk when this returns."""
        data = urllib.parse.urlencode({"line": line, "page": page}).encode()
        with urllib.request.urlopen(self.address + "/lines", data, timeout=20) as answer:
            return answer.read().decode()

    def kill(self) -> None:
        """As a power cut would: no chance to clean up."""
        os.kill(self.process.pid, signal.SIGKILL)
        self.process.wait(20)

    def pause(self, seconds: float) -> None:
        """As a machine with too much to do would: nothing is answered for a while."""
        os.kill(self.process.pid, signal.SIGSTOP)
        try:
            time.sleep(seconds)
        finally:
            os.kill(self.process.pid, signal.SIGCONT)

    def stacks(self) -> str:
        """Ends it, and lets it write to the standard error what each of its threads is at."""
        if (status := self.process.poll()) is not None:
            return f"the server is gone, with status {status}"
        self.process.send_signal(signal.SIGABRT)
        self.process.wait(20)
        return "what the server was at stands above"

    def stop(self) -> None:
        if self.process.poll() is None:
            self.process.send_signal(signal.SIGINT)
            try:
                self.process.wait(20)
            except subprocess.TimeoutExpired:
                self.kill()


def free_port() -> int:
    """A port that no client is given by chance: below Linux's ephemeral range."""
    while True:
        port = random.randrange(20_000, 32_000)
        with socket.socket() as found:
            try:
                found.bind(("127.0.0.1", port))
            except OSError:
                continue
            return port
