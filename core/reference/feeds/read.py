"""Reads around.ics with two calendar libraries and writes, as around.json, the instants that each finds.

Run by hand where both are there (Debian: python3-icalendar, python3-vobject); the test holds the file and its instants
against what we write.
"""
import json
from pathlib import Path

import icalendar
import vobject

here = Path(__file__).parent
text = (here / "around.ics").read_bytes().decode("utf-8")


def seconds(moment):
    return int(moment.timestamp())


first = {
    str(event["uid"]): [seconds(event["dtstart"].dt), seconds(event["dtend"].dt)]
    for event in icalendar.Calendar.from_ical(text).walk("VEVENT")
}
second = {
    event.uid.value: [seconds(event.dtstart.value), seconds(event.dtend.value)]
    for event in vobject.readOne(text).vevent_list
}
found = {"icalendar": first, "vobject": second}
(here / "around.json").write_text(json.dumps(found, indent=2) + "\n", encoding="utf-8")
