"""Dictation by a larger local model: Whisper's weights, decoded by faster-whisper.

Radford et al., "Robust Speech Recognition via Large-Scale Weak Supervision", 2022.
"""
