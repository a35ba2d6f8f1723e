/** Bodies coming in, within limits, and names of files going out. */
package izzet.app.files;
