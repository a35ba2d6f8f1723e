/** A simulated bus that makes records. Start from {@link izzet.core.bench.I2cWaveform}. */
package izzet.core.bench;
