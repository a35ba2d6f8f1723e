package izzet.app.backup;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** What a backup asks of a database: the running one through Hibernate, a closed file by a connection of its own. */
interface Database {

    /** The one number that a question has as its answer. */
    long number(String question) throws SQLException;

    /** Copies itself as it is at this moment. */
    void copyTo(Path zip) throws SQLException;

    /** A file that no persistence unit has open yet, or ever will. */
    static Database of(Connection connection) {
        return new Database() {
            @Override
            public long number(String question) throws SQLException {
                try (Statement statement = connection.createStatement();
                        ResultSet row = statement.executeQuery(question)) {
                    row.next();
                    return row.getLong(1);
                }
            }

            @Override
            public void copyTo(Path zip) throws SQLException {
                try (PreparedStatement backup = connection.prepareStatement("backup to ?")) {
                    backup.setString(1, zip.toString());
                    backup.execute();
                }
            }
        };
    }
}
