package izzet.app.plan;

/** A plan was changed, undone or redone, deleted or taken back; told within the transaction that does so. */
public record PlanChanged(long id) {}
