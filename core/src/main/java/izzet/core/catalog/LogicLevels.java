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
 * @param milliamps the load current at which voh and vol hold; without load such an output stands at its supply or at ground. Null where
 *     the figures hold at any load that logic has
 * @param maxMilliamps what one output may carry for long; null where not known
 * @param source key into the sources of the file
 */
public record LogicLevels(
        Level vih,
        Level vil,
        Level voh,
        Level vol,
        Level absMax,
        Double milliamps,
        Double maxMilliamps,
        String source) {}
