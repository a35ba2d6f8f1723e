package izzet.core.decode;

/**
 * One word of an asynchronous serial line.
 *
 * @param start falling edge of its start bit
 * @param end middle of its stop bit
 * @param framed whether the stop bit was there
 * @param parityRight true where there is none
 */
public record SerialByte(long start, long end, int value, boolean framed, boolean parityRight) implements BusEvent {}
