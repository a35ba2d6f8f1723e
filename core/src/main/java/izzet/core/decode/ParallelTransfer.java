package izzet.core.decode;

/**
 * One word on a parallel bus with strobes for writing and reading.
 *
 * @param start falling edge of the strobe
 * @param end its rising edge, with which the word is taken
 * @param dc level of the data/command line; -1 without such a line
 */
public record ParallelTransfer(long start, long end, int dc, int value, boolean read) implements BusEvent {}
