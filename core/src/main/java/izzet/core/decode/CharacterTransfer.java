package izzet.core.decode;

/**
 * One write to a character display, or one read from it.
 *
 * @param start where its first strobe began
 * @param end the falling edge of the enable line that completes it
 * @param data whether RS was high
 * @param read whether R/W was high
 * @param nibbles 0 for 8 bits at once, 1 for a lone half before 4-bit mode is on (in the upper four bits of the value), 2 for a pair
 */
public record CharacterTransfer(long start, long end, boolean data, boolean read, int value, int nibbles)
        implements BusEvent {}
