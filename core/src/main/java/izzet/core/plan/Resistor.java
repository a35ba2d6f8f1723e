package izzet.core.plan;

/** A resistor of the plan between a net and, mostly, a rail: a pull-up or pull-down. */
public record Resistor(String id, Target from, Target to, double ohms) {}
