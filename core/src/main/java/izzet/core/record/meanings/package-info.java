/** One class a command set; a new class here is found by itself. */
package izzet.core.record.meanings;
