/**
 * A record against a plan: who spoke to whom, and what does not fit. Start from {@link izzet.core.record.Conversation}. May depend on
 * decode, circuit and plan.
 */
package izzet.core.record;
