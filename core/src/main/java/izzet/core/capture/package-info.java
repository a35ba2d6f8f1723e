/**
 * Reading records of lines over time. Start from {@link izzet.core.capture.VcdReader}. Depends on nothing; knows no bus; reads streams,
 * never whole files.
 */
package izzet.core.capture;
