"""Alembic runs this inside the connection that store.database gives it."""

from __future__ import annotations

from alembic import context

from nimble_lantern.store.models import Base

context.configure(
    connection=context.config.attributes["connection"],
    target_metadata=Base.metadata,
    render_as_batch=True,
)
with context.begin_transaction():
    context.run_migrations()
