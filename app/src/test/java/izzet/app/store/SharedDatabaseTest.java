package izzet.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.mock.env.MockEnvironment;

class SharedDatabaseTest {

    private static MockEnvironment with(String... properties) {
        MockEnvironment environment = new MockEnvironment().withProperty("spring.datasource.url", "jdbc:h2:file:x");
        for (int i = 0; i < properties.length; i += 2) {
            environment.withProperty(properties[i], properties[i + 1]);
        }
        new SharedDatabase().postProcessEnvironment(environment, null);
        return environment;
    }

    @Test
    void aServerTakesThePlaceOfTheFile() {
        MockEnvironment environment =
                with("izzet.db", "jdbc:postgresql://club/izzet", "izzet.db.user", "club", "izzet.db.password", "wick");
        assertThat(environment.getProperty("spring.datasource.url")).isEqualTo("jdbc:postgresql://club/izzet");
        assertThat(environment.getProperty("spring.datasource.username")).isEqualTo("club");
        assertThat(environment.getProperty("spring.datasource.password")).isEqualTo("wick");
        assertThat(environment.getProperty("spring.flyway.locations")).isEqualTo("classpath:db/postgresql");
    }

    @Test
    void withoutOneTheFileStays() {
        assertThat(with().getProperty("spring.datasource.url")).isEqualTo("jdbc:h2:file:x");
        assertThat(with("izzet.db", " ").getProperty("spring.flyway.locations")).isNull();
        assertThat(SharedDatabase.fault(with("izzet.db", " "))).isEmpty();
        assertThat(SharedDatabase.fault(with("izzet.db", "jdbc:postgresql://club/izzet")))
                .isEmpty();
        assertThat(SharedDatabase.fault(with("izzet.db", "ftp://club")))
                .get()
                .asString()
                .contains("IZZET_DB is 'ftp://club'");
    }

    /** Both kinds of database have the same tables and columns, and the same number as their last migration. */
    @Test
    void bothFoldersOfMigrationsLeadToTheSameTables() throws IOException {
        assertThat(columns("postgresql")).isEqualTo(columns("migration"));
        assertThat(newest("postgresql")).isEqualTo(newest("migration"));
    }

    private static Set<String> columns(String folder) throws IOException {
        Set<String> columns = new TreeSet<>();
        Pattern create = Pattern.compile("create table (\\w+) \\((.*?)\\n\\);", Pattern.DOTALL);
        Pattern add = Pattern.compile("alter table (\\w+) add column (\\w+)");
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db", folder))) {
            for (Path file : files.toList()) {
                String sql = Files.readString(file);
                create.matcher(sql).results().forEach(table -> table.group(2)
                        .lines()
                        .map(String::strip)
                        .filter(l -> !l.isEmpty() && !l.startsWith("primary key"))
                        .forEach(l -> columns.add(table.group(1) + "." + l.split(" ")[0])));
                add.matcher(sql).results().forEach(c -> columns.add(c.group(1) + "." + c.group(2)));
            }
        }
        return columns;
    }

    private static int newest(String folder) throws IOException {
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db", folder))) {
            return files.map(f -> f.getFileName().toString())
                    .mapToInt(f -> Integer.parseInt(f.substring(1, f.indexOf('_'))))
                    .max()
                    .orElseThrow();
        }
    }
}
