/**
 * From lines to what was said on them. Start from {@link izzet.core.decode.I2cDecoder}. May depend on capture; knows no plan and no
 * part.
 */
package izzet.core.decode;
