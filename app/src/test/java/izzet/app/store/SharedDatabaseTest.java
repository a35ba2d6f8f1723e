package izzet.app.store;

import static org.assertj.core.api.Assertions.assertThat;

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
        assertThat(environment.getProperty("spring.flyway.locations"))
                .isEqualTo("classpath:db/postgresql,classpath:db/migration");
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
}
