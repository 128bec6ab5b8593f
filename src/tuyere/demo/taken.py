"""What the jobs of the two years took off the shelf. Everything is invented."""

from __future__ import annotations

from sqlmodel import Session, col, select

from tuyere.demo.shelf import PRICES
from tuyere.store.builds.tables import Loop
from tuyere.store.jobs.tables import Job
from tuyere.store.plumbing.actor import Actor
from tuyere.store.shelf.book import count_again, parts_for, set_place, take_part
from tuyere.store.shelf.tables import StockMove


def taken(session: Session, foreman: Actor) -> None:
    """Each loop that a job fitted came off the shelf, where such are kept; they were bought for it before."""
    fits = select(Job).where(Job.kind == "fit", Job.state == "closed").order_by(col(Job.closed_at))
    for job in session.exec(fits).all():
        loop = session.exec(select(Loop).where(Loop.build_id == job.build_id, Loop.no == 1)).one()
        for item in parts_for(session, loop.designation)[:1]:
            set_place(session, foreman, item.id, item.place, low=item.low, price=PRICES.get(item.designation))
            count_again(session, foreman, item.id, item.quantity + loop.strands)
            take_part(session, Actor(job.created_by_name), item.id, loop.strands, job.id)
            for move in session.exec(select(StockMove).where(StockMove.item_id == item.id)).all():
                # The moves are as old as the job: the shelf's list is younger than the shelf.
                if job.closed_at is not None and move.at > job.closed_at and move.job_id in (None, job.id):
                    move.at = job.closed_at
                    session.add(move)
    session.flush()
