"""The report of a period as tables: on paper and for a spreadsheet."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from tuyere.exchange.csv_out import Cell, csv_text
from tuyere.exchange.sheets.report import Block, Key, ReportSheet
from tuyere.store.upkeep.report_views import ReportView

ASSUMED = "Where no meter is read and the duty says nothing, ten hours on 250 days a year are assumed."


def _day(d: date) -> str:
    return f"{d.day} {d:%b %Y}"


def _bars(values: Sequence[float]) -> tuple[float, ...]:
    most = max(values, default=0.0)
    return tuple(v / most if most else 0.0 for v in values)


def report_sheet(r: ReportView) -> ReportSheet:
    """The report on paper."""
    money = f"{r.spent:,.2f}"
    unpriced = f"{r.unpriced} of the parts without a price" if r.unpriced else "parts off the shelf, the shop's money"
    keys = (
        Key("Belts and chains fitted", str(sum(x.loops for x in r.loops)), f"at {sum(x.jobs for x in r.loops)} jobs"),
        Key("Failures", str(r.failures)),
        Key("Late at the end", str(r.late_count)),
        Key("Only for a while", str(len(r.fixes))),
        Key("Lost in the drives", "–" if r.lost is None else r.lost.shown, f"{r.drives} drives"),
        Key("Spent", money, unpriced),
    )
    blocks = (
        Block(
            title="Belts and chains fitted",
            head=("what", "how many", "jobs", "drives"),
            rows=tuple((x.designation, str(x.loops), str(x.jobs), ", ".join(x.drives)) for x in r.loops),
            bars=_bars([x.loops for x in r.loops]),
            none="None was fitted.",
        ),
        Block(
            title="Failures by cause",
            head=("cause", "confirmed", "told only", "drives"),
            rows=tuple((x.words, str(x.confirmed), str(x.told), ", ".join(x.drives)) for x in r.causes),
            bars=_bars([x.confirmed + x.told for x in r.causes]),
            none="None was kept.",
            note="Told only: the likeliest by what was seen, not confirmed by anybody.",
        ),
        Block(
            title="Late at the end of the period",
            head=("days", "where", "what"),
            rows=tuple((str(x.days), " · ".join(n for n in (x.machine, x.drive) if n), x.title) for x in r.late),
            none="Nothing was late.",
            note=f"{r.late_count - len(r.late)} more are late than stand here." if r.late_count > len(r.late) else "",
        ),
        Block(
            title="Only for a while",
            head=("where", "why", "since", "promised"),
            rows=tuple(
                (f"{x.machine} · {x.drive}", x.reason, _day(x.since.date()), _day(x.promised) if x.promised else "")
                for x in r.fixes
            ),
            none="No temporary fix stood.",
        ),
        Block(
            title="Lost in the drives",
            head=("where", "what", "hours", "kWh"),
            rows=tuple(
                (f"{x.machine} · {x.drive}", x.what, f"{x.hours:,.0f}{' *' if x.assumed else ''}", x.lost.shown)
                for x in r.losses
            ),
            bars=_bars([x.lost.high.value for x in r.losses]),
            none="No drive stood on a machine.",
            note=f"* {ASSUMED} Bands of usual efficiencies by kind of drive at full load; the greatest stand here.",
        ),
        Block(
            title="Parts off the shelf for jobs",
            head=("what", "how many", "spent"),
            rows=tuple((x.designation, str(x.count), "" if x.spent is None else f"{x.spent:,.2f}") for x in r.parts),
            none="None was taken.",
        ),
        Block(
            title="Jobs closed",
            head=("what", "how many"),
            rows=tuple((x.words, str(x.count)) for x in r.jobs),
            bars=_bars([x.count for x in r.jobs]),
            none="None was closed.",
        ),
    )
    return ReportSheet("Report of the shop", f"{_day(r.since)} to {_day(r.until)}", keys, blocks)


def report_csv(r: ReportView) -> str:
    """The report as one table: section, what, where, count, second count, figure."""
    rows: list[tuple[Cell, ...]] = [
        ("fitted", x.designation, "; ".join(x.drives), x.loops, x.jobs, None) for x in r.loops
    ]
    rows += [("failures", x.words, "; ".join(x.drives), x.confirmed, x.told, None) for x in r.causes]
    rows += [("late", x.title, " · ".join(n for n in (x.machine, x.drive) if n), x.days, None, None) for x in r.late]
    rows += [
        (
            "temporary",
            x.reason,
            f"{x.machine} · {x.drive}",
            x.days_left,
            None,
            None if x.promised is None else str(x.promised),
        )
        for x in r.fixes
    ]
    rows += [
        ("lost kWh, least", x.what, f"{x.machine} · {x.drive}", round(x.hours, 1), None, x.lost.low.value)
        for x in r.losses
    ]
    rows += [
        ("lost kWh, most", x.what, f"{x.machine} · {x.drive}", round(x.hours, 1), None, x.lost.high.value)
        for x in r.losses
    ]
    rows += [("taken off the shelf", x.designation, "", x.count, None, x.spent) for x in r.parts]
    rows += [("jobs closed", x.words, "", x.count, None, None) for x in r.jobs]
    return csv_text(("section", "what", "where", "count", "second count", "figure"), rows)
