package izzet.core.catalog;

/**
 * What is wrong with a catalogue file.
 *
 * @param pointer where in the file, as a JSON pointer; elements of lists may be named by their id
 * @param message what was found there and what was expected
 */
public record CatalogFault(String pointer, String message) {

    @Override
    public String toString() {
        return pointer + " " + message;
    }
}
