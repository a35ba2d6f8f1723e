package izzet.core.catalog;

/**
 * What a kind of connection gives and needs. Each value may be missing: an open-drain line has no {@code voh}, an input no
 * {@code vol}.
 *
 * @param vih lowest voltage read as high
 * @param vil highest voltage read as low
 * @param voh lowest voltage driven as high
 * @param vol highest voltage driven as low
 * @param absMax highest voltage the connection survives
 * @param source key into the sources of the file
 */
public record LogicLevels(Level vih, Level vil, Level voh, Level vol, Level absMax, String source) {}
