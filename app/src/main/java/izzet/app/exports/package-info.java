/** Plans to take away: files of the core's exports, and those that need templates. Start from {@link izzet.app.exports.PlanExports}. */
package izzet.app.exports;
