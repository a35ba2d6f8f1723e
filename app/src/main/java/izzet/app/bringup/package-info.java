/** The station of first light: the board's side, a scan, symptoms, the order of power-up. */
package izzet.app.bringup;
