/** What takes long: a few computations at once, each can be watched and stopped. */
package izzet.app.jobs;
