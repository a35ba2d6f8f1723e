package izzet.app.backup;

import java.nio.file.Path;

/** What a backup asks of a database: the running one in the program's persistence unit, a closed file in one of its own. */
interface Database {

    /** The one number that a question has as its answer. */
    long number(String question);

    /** Copies itself as it is at this moment. */
    void copyTo(Path zip);
}
