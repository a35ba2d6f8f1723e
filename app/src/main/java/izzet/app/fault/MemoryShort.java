package izzet.app.fault;

/** Told when memory runs out: whoever keeps what can be made again lets it go. */
public record MemoryShort() {}
