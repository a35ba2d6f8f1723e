/** The folder of data: how it is opened without losing anything, backups of it, and their way back. */
package izzet.app.backup;
