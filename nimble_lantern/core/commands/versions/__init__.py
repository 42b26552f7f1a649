"""Versions with names: kept, compared, and brought back, whole or in part."""

from nimble_lantern.core.commands.versions import comparing, kept, returning

__all__ = ["kept", "comparing", "returning"]
