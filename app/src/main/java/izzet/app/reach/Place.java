package izzet.app.reach;

/**
 * Something that can be reached by words.
 *
 * @param kind in a word: room, station, tool, part, finding
 */
public record Place(String kind, String words, String address) {}
