"""Every error that Oenomel raises on purpose.

OenomelError
├── DomainError (also ValueError)      an impossible request: HTTP 422, exit 2
│   ├── OutOfRange                     a number outside the possible range
│   ├── NotAnAmount                    a text that isn't an amount
│   ├── NotAMoment                     a text that isn't a time of the data file
│   ├── OtherIngredient                an amount that names another pour
│   ├── UnknownUnit                    a unit outside the spec file's
│   ├── UnknownFigure                  a figure that a drink doesn't have
│   ├── UnknownIngredient              a slug that the larder doesn't have
│   ├── ImpossibleComposition          values that contradict each other
│   ├── ImpossibleMeasurement          a reading that contradicts the recipe
│   ├── EmptyDrink                     no pour adds any liquid
│   ├── NothingFree                    no pour may move
│   ├── CannotSize                     a glass that the drink can't be scaled to
│   ├── KeyUsedBefore                  one idempotency key for two writes
│   └── SpecError                      a wrong place in a file, with a sentence
├── RecordNotFound (also LookupError)  HTTP 404
├── RecordConflict                     HTTP 409
│   ├── ChangedElsewhere               another window changed the record
│   ├── StaleFix                       the finding has no such fix any more
│   └── WrittenBefore                  a write done so long ago that its answer is gone
├── CannotListen                       the server can't listen there: exit 2
├── OnlyLooking                        a device that only reads wants to write: HTTP 403
├── NoReading                          a device gave no reading: HTTP 503
├── AnsweredBefore                     a repeated write, with its first answer
└── StoreError                         the data file can't be used: HTTP 503, exit 2
    ├── StoreFault                     why, and what to do
    └── CopyFault                      why a copy can't be made or restored
"""

from __future__ import annotations

from pathlib import Path
from typing import Final

__all__ = [
    "AnsweredBefore",
    "CannotListen",
    "CannotSize",
    "DomainError",
    "EmptyDrink",
    "ImpossibleComposition",
    "ImpossibleMeasurement",
    "KeyUsedBefore",
    "NoReading",
    "NotAnAmount",
    "NothingFree",
    "OenomelError",
    "OnlyLooking",
    "OtherIngredient",
    "OutOfRange",
    "RecordConflict",
    "RecordNotFound",
    "SpecError",
    "StaleFix",
    "StoreError",
    "StoreFault",
    "UnknownFigure",
    "UnknownIngredient",
    "UnknownUnit",
]


class OenomelError(Exception):
    """Anything that Oenomel refuses; ``code`` is stable and safe to test for."""

    code = "error"


class DomainError(ValueError, OenomelError):
    """The request describes something impossible."""

    code = "cannot-be"


class OutOfRange(DomainError):
    """A number is outside the possible range; low and high are inclusive."""

    code = "out-of-range"

    def __init__(self, name: str, value: float, low: float, high: float) -> None:
        super().__init__(name, value, low, high)
        self.name, self.value, self.low, self.high = name, value, low, high

    def __str__(self) -> str:
        return f"{self.name} is {self.value:g}, outside {self.low:g} to {self.high:g}"


class NotAnAmount(DomainError):
    """A text can't be read as an amount."""

    code = "not-an-amount"

    def __init__(self, text: str) -> None:
        super().__init__(text)
        self.text = text

    def __str__(self) -> str:
        return f'"{self.text}" isn\'t an amount: enter one like 22.5, 3/4 oz, two dashes, half the gin or top up'


class NotAMoment(DomainError):
    """A text isn't a time of the data file: between 2000 and a year from now, with its zone."""

    code = "not-a-time"

    def __init__(self, text: str) -> None:
        super().__init__(text)
        self.text = text

    def __str__(self) -> str:
        return f'"{self.text[:40]}" isn\'t a time between 2000 and a year from now: enter one like 2026-11-28T19:00:00+00:00'


class OtherIngredient(DomainError):
    """A typed amount names another ingredient than its pour."""

    code = "other-ingredient"

    def __init__(self, named: str, pour: str) -> None:
        super().__init__(named, pour)
        self.named, self.pour = named, pour

    def __str__(self) -> str:
        return f'this is {self.pour}, not "{self.named}"'


class UnknownUnit(DomainError):
    """A unit isn't one of the spec file's."""

    code = "unknown-unit"

    def __init__(self, text: str, known: tuple[str, ...]) -> None:
        super().__init__(text, known)
        self.text, self.known = text, known

    def __str__(self) -> str:
        return f'"{self.text}" isn\'t a unit: use {", ".join(self.known)}'


class UnknownFigure(DomainError):
    """A figure that doesn't exist, or that this drink doesn't have."""

    code = "unknown-figure"

    def __init__(self, name: str, known: tuple[str, ...]) -> None:
        super().__init__(name, known)
        self.name, self.known = name, known

    def __str__(self) -> str:
        return f'this drink has no figure "{self.name}": use {", ".join(self.known)}'


class UnknownIngredient(DomainError):
    """No ingredient has this slug; ``near`` is the closest one."""

    code = "unknown-ingredient"

    def __init__(self, slug: str, near: str | None = None) -> None:
        super().__init__(slug, near)
        self.slug, self.near = slug, near

    def __str__(self) -> str:
        hint = f': did you mean "{self.near}"?' if self.near else ""
        return f'"{self.slug}" isn\'t an ingredient{hint}'


class ImpossibleComposition(DomainError):
    """Composition values that contradict each other."""

    code = "impossible-composition"


class ImpossibleMeasurement(DomainError):
    """An impossible reading, given the recipe or the other readings; the message says why."""

    code = "impossible-measurement"


class EmptyDrink(DomainError):
    """No pour of the drink adds any liquid."""

    code = "nothing-to-drink"

    def __str__(self) -> str:
        return "the drink is empty: add an ingredient with an amount"


class NothingFree(DomainError):
    """Rebalancing has no pour to move."""

    code = "nothing-free"

    def __str__(self) -> str:
        return "no ingredient can change: unlock one, or allow another to be added"


class CannotSize(DomainError):
    """A drink can't be scaled to its glass: the glass isn't listed, or the ice leaves no room."""

    code = "cannot-size"

    def __init__(self, glass: str) -> None:
        super().__init__(glass)
        self.glass = glass

    def __str__(self) -> str:
        if not self.glass:
            return "no glass chosen: choose one first"
        return f"the drink can't be fitted to {self.glass}: choose a glass of the list with room beside the ice"


class SpecError(DomainError):
    """Something is wrong in a spec file: where, and what, in one sentence."""

    code = "bad-spec"

    def __init__(self, path: str, sentence: str) -> None:
        super().__init__(path, sentence)
        self.path, self.sentence = path, sentence

    def __str__(self) -> str:
        return f"{self.path}: {self.sentence}" if self.path else self.sentence


class RecordNotFound(LookupError, OenomelError):
    """No record of this kind has this key."""

    code = "not-found"

    def __init__(self, kind: str, key: object) -> None:
        super().__init__(kind, key)
        self.kind, self.key = kind, key

    def __str__(self) -> str:
        return f"there is no {self.kind} {self.key}"


class RecordConflict(OenomelError):
    """The record was changed by somebody else since it was read."""

    code = "conflict"


class ChangedElsewhere(RecordConflict):
    """Another window changed what this one writes; the message holds the present value where it is short."""

    code = "changed-elsewhere"

    def __init__(self, what: str, now: str = "") -> None:
        super().__init__(what, now)
        self.what, self.now = what, now

    def __str__(self) -> str:
        current = f'to "{self.now}"' if self.now else ""
        return f"{self.what} was changed elsewhere{current}. Nothing was saved: choose which version to keep"


class StaleFix(RecordConflict):
    """The drink has no such finding, or the finding no such fix; it may have changed since."""

    code = "mend-gone"

    def __init__(self, finding: str) -> None:
        super().__init__(finding)
        self.finding = finding

    def __str__(self) -> str:
        return "the drink has changed, so this fix no longer applies"


class CannotListen(OenomelError):
    """The server can't listen on its address."""

    code = "cannot-listen"

    def __init__(self, host: str, port: int, why: str) -> None:
        super().__init__(host, port, why)
        self.host, self.port, self.why = host, port, why

    def __str__(self) -> str:
        return f"can't start at {self.host}, port {self.port}: {self.why}"


class OnlyLooking(OenomelError):
    """A device that was paired for reading only wants to write."""

    code = "only-looking"

    def __str__(self) -> str:
        return "this device is view only: connect it again with the “Can edit” code"


class NoReading(OenomelError):
    """A device gave no reading; the message says what to do."""

    code = "no-reading"


class StoreError(OenomelError):
    """The data file can't be opened or used; the message says why."""

    code = "store"


class StoreFault(StoreError):
    """Fault of the data file, with what to do about it; ``fault`` names the kind."""

    code = "store"

    def __init__(self, fault: str, path: Path, message: str = "") -> None:
        super().__init__(fault, path, message)
        self.fault, self.path, self.told = fault, path, message

    def __str__(self) -> str:
        return _STORE_FAULTS[self.fault].format(path=self.path, parent=self.path.parent, told=self.told)


_STORE_FAULTS: Final = {
    "full": "the disk with {path} is full: nothing was changed. Free some space. Everything saved can still be read",
    "in use": "{path} is in use by another program: nothing was changed. Close it, or try again in a moment",
    "damaged": "{path} is damaged. Stop Oenomel and restore a copy with oenomel restore. The damaged file is saved",
    "foreign": "{path} isn't a data file of Oenomel, so nothing was changed. Choose another name for --data",
    "gone": "{path} is missing. Put it back, or start Oenomel again with a new file",
    "not writable": "{path} can't be changed: you have no permission. Change that, or choose another place for --data",
    "no folder": "there is no folder {parent}: create it, or choose another place",
    "folder": "{path} isn't a file. Choose a file for --data",
    "no home": "your home folder isn't known: set HOME, or choose the data file with --data",
    "disk": "the disk with {path} can't be read or written ({told}). Check that it is connected, and copy the file",
    "unusable": "{path} can't be used as a data file: {told}",
}


class CopyFault(StoreError):
    """A copy can't be made or restored; ``fault`` names the kind, the message says what to do."""

    code = "copy"

    def __init__(self, fault: str, path: Path, message: str = "") -> None:
        super().__init__(fault, path, message)
        self.fault, self.path, self.told = fault, path, message

    def __str__(self) -> str:
        return {**_STORE_FAULTS, **_COPY_FAULTS}[self.fault].format(path=self.path, parent=self.path.parent, told=self.told)


_COPY_FAULTS: Final = {
    "itself": "{path} is the data file itself: choose another name for the copy",
    "is folder": "{path} is a folder: choose a file in it",
    "taken": "{path} exists and isn't a copy of a data file: choose another name, or move it",
    "no copy": "{path} isn't a complete copy of a data file, so nothing was changed. Choose another copy",
}


class AnsweredBefore(OenomelError):
    """A write with this key was done already; its first answer is returned."""

    code = "answered-before"

    def __init__(self, status: int, answer: str) -> None:
        super().__init__(status, answer)
        self.status, self.answer = status, answer


class WrittenBefore(RecordConflict):
    """A write with this key was done so long ago that its answer is gone."""

    code = "written-before"

    def __str__(self) -> str:
        return "this was saved already: load it again"


class KeyUsedBefore(DomainError):
    """A key was used before for another write."""

    code = "key-used-before"

    def __str__(self) -> str:
        return "this key was used for another change: use a new one for each"
