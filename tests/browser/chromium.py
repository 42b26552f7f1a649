"""Chromium under ChromeDriver, with a profile of its own and a microphone made of a WAV file."""

from __future__ import annotations

import shutil
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path

from selenium import webdriver
from selenium.common.exceptions import JavascriptException, StaleElementReferenceException
from selenium.webdriver.chrome.service import Service

FLAGS = (
    "--headless=new",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--hide-scrollbars",
)
_SHARED_MEMORY, _ENOUGH = Path("/dev/shm"), 512 * 2**20


@contextmanager
def chromium(
    sound: Path | None = None, size: tuple[int, int] = (1280, 800), microphone: bool = True
) -> Iterator[webdriver.Chrome]:
    """A browser; `sound` is what its simulated microphone hears, once, from when it opens."""
    profile = tempfile.mkdtemp(prefix="lantern-profile-")
    options = webdriver.ChromeOptions()
    options.binary_location = shutil.which("chromium") or "chromium"
    for flag in (*FLAGS, f"--user-data-dir={profile}", f"--window-size={size[0]},{size[1]}"):
        options.add_argument(flag)
    if not _SHARED_MEMORY.is_dir() or shutil.disk_usage(_SHARED_MEMORY).free < _ENOUGH:
        # Only then: shared memory on a disk lets sound wait for the disk, and some is lost.
        options.add_argument("--disable-dev-shm-usage")
    if sound is not None:
        options.add_argument("--use-fake-ui-for-media-stream")
        options.add_argument("--use-fake-device-for-media-stream")
        options.add_argument(f"--use-file-for-fake-audio-capture={sound}%noloop")
    service = Service(shutil.which("chromedriver") or "chromedriver")
    driver = webdriver.Chrome(options=options, service=service)
    try:
        driver.set_window_rect(width=size[0], height=size[1])
        driver.execute_cdp_cmd(
            "Emulation.setDeviceMetricsOverride",
            {"width": size[0], "height": size[1], "deviceScaleFactor": 1, "mobile": False},
        )
        yield driver
    finally:
        driver.quit()
        shutil.rmtree(profile, ignore_errors=True)


def wait_until(condition: Callable[[], object], seconds: float = 30.0, what: str = "") -> None:
    """Wait for a condition; AssertionError that names it if it does not come true in time."""
    deadline = time.monotonic() + seconds
    while time.monotonic() < deadline:
        try:
            if condition():
                return
        except (JavascriptException, StaleElementReferenceException):
            # The page was being redrawn while it was looked at.
            pass
        time.sleep(0.1)
    raise AssertionError(f"waited {seconds} s in vain{f' for {what}' if what else ''}")
