/** I2C on its two lines. Found by {@link izzet.core.decode.Protocols}; depends on decode and capture alone. */
package izzet.core.decode.i2c;
