package izzet.core.decode;

/** What was said on a bus at one go. Times in ticks of the record. */
public sealed interface BusEvent
        permits I2cTransfer, SpiTransfer, CharacterTransfer, ParallelTransfer, SerialByte, SingleWireFrame {

    long start();

    long end();
}
