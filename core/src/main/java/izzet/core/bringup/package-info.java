/**
 * First light of a plan: a scan beside the expected one, what a symptom makes likely, the order of power-up. Start from {@link
 * izzet.core.bringup.ScanResult}.
 */
package izzet.core.bringup;
