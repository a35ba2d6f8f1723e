/**
 * Giving lines their pins. Start from {@link izzet.core.assign.Proposal}. May depend on circuit, plan and catalogue; never judges
 * levels or addresses.
 */
package izzet.core.assign;
