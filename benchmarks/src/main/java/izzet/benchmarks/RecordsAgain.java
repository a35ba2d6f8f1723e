package izzet.benchmarks;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Stores one record of a data folder many times more, byte by byte, while the program does not run: hundreds of them take minutes, not hours. */
public final class RecordsAgain {

    private static final int AT_ONCE = 200;

    private final Connection database;

    private RecordsAgain(Connection database) {
        this.database = database;
    }

    /** @param args the data folder; how many times more its last record is stored */
    public static void main(String[] args) throws SQLException {
        int times = Integer.parseInt(args[1]);
        try (Connection database =
                DriverManager.getConnection("jdbc:h2:file:" + args[0] + "/izzet;DB_CLOSE_ON_EXIT=FALSE", "sa", "")) {
            database.setAutoCommit(false);
            RecordsAgain again = new RecordsAgain(database);
            long record = again.number("select max(id) from record where whole");
            long start = System.nanoTime();
            for (int i = 1; i <= times; i++) {
                again.store(record);
                database.commit();
                System.out.printf(Locale.ROOT, "%d after %.0f s%n", i, (System.nanoTime() - start) / 1e9);
            }
        }
    }

    private long number(String question) throws SQLException {
        try (Statement statement = database.createStatement();
                ResultSet answer = statement.executeQuery(question)) {
            answer.next();
            return answer.getLong(1);
        }
    }

    private void store(long record) throws SQLException {
        long copy = copy("record", "id", record, Map.of()).get(record);
        for (String table : List.of("record_line", "edge_block", "wave_block")) {
            copy(table, "record_id", record, Map.of("record_id", copy));
        }
        Map<Long, Long> buses = copy("record_bus", "record_id", record, Map.of("record_id", copy));
        for (Map.Entry<Long, Long> bus : buses.entrySet()) {
            copy("record_bus_line", "bus_id", bus.getKey(), Map.of("bus_id", bus.getValue()));
            copy("event_block", "bus_id", bus.getKey(), Map.of("bus_id", bus.getValue()));
        }
    }

    /**
     * Rows of a table once more, with other values in some columns.
     *
     * @return new ids by old ones, of a table that gives ids
     */
    private Map<Long, Long> copy(String table, String key, long value, Map<String, Long> others) throws SQLException {
        Map<Long, Long> ids = new HashMap<>();
        try (Statement statement = database.createStatement();
                ResultSet rows = statement.executeQuery("select * from " + table + " where " + key + " = " + value)) {
            List<String> columns = new ArrayList<>();
            for (int i = 1; i <= rows.getMetaData().getColumnCount(); i++) {
                String column = rows.getMetaData().getColumnName(i).toLowerCase(Locale.ROOT);
                if (!column.equals("id")) {
                    columns.add(column);
                }
            }
            boolean gives = columns.size() < rows.getMetaData().getColumnCount();
            String marks = "?" + ", ?".repeat(columns.size() - 1);
            String insert = "insert into " + table + " (" + String.join(", ", columns) + ") values (" + marks + ")";
            try (PreparedStatement into = database.prepareStatement(
                    insert, gives ? Statement.RETURN_GENERATED_KEYS : Statement.NO_GENERATED_KEYS)) {
                int held = 0;
                while (rows.next()) {
                    for (int i = 0; i < columns.size(); i++) {
                        String column = columns.get(i);
                        // As bytes: the database would let copies of a large object share what they hold.
                        Object cell = others.containsKey(column)
                                ? others.get(column)
                                : column.equals("packed") ? rows.getBytes(column) : rows.getObject(column);
                        into.setObject(i + 1, cell);
                    }
                    if (gives) {
                        into.executeUpdate();
                        try (ResultSet made = into.getGeneratedKeys()) {
                            made.next();
                            ids.put(rows.getLong("id"), made.getLong(1));
                        }
                    } else {
                        into.addBatch();
                        if (++held % AT_ONCE == 0) {
                            into.executeBatch();
                        }
                    }
                }
                if (held % AT_ONCE != 0) {
                    into.executeBatch();
                }
            }
        }
        return ids;
    }
}
