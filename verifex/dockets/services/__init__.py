"""The only writers of dockets: each function is one act, and one entry in the event log."""

from verifex.dockets.services.check_again import check_again
from verifex.dockets.services.decide import claim, clear_power, pass_clean, pass_station, reopen, send_back, undo
from verifex.dockets.services.given_parts import note_setting, substitute, undo_substitution
from verifex.dockets.services.hand_in import ask, hand_in, withdraw
from verifex.dockets.services.hints import open_hint
from verifex.dockets.services.kits_back import came_back, looks_of, note_faults, take_back, undo_take_back
from verifex.dockets.services.library import explain_constant
from verifex.dockets.services.measure import measure
from verifex.dockets.services.opening import carry_over, open_docket

__all__ = [
    "ask",
    "came_back",
    "carry_over",
    "check_again",
    "claim",
    "clear_power",
    "explain_constant",
    "hand_in",
    "looks_of",
    "measure",
    "note_faults",
    "note_setting",
    "open_docket",
    "open_hint",
    "pass_clean",
    "pass_station",
    "reopen",
    "send_back",
    "substitute",
    "take_back",
    "undo",
    "undo_substitution",
    "undo_take_back",
    "withdraw",
]
