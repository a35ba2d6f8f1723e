/** Ways out where a plan cannot be assigned: one class each, found by {@link izzet.core.discovery.Discovery}. */
package izzet.core.assign.ways;
