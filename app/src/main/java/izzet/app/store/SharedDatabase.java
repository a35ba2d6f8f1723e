package izzet.app.store;

import java.util.Map;
import java.util.Optional;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.Environment;
import org.springframework.core.env.MapPropertySource;

/**
 * A PostgreSQL server instead of the file database, for a club that shares one: {@code IZZET_DB=jdbc:postgresql://…}, with
 * {@code IZZET_DB_USER} and {@code IZZET_DB_PASSWORD}.
 */
public final class SharedDatabase implements EnvironmentPostProcessor {

    private static final String URL = "izzet.db";
    private static final String POSTGRES = "jdbc:postgresql:";

    /** Whether other programs may work on the same plans and records. */
    public static boolean is(Environment environment) {
        return environment.getProperty(URL, "").startsWith(POSTGRES);
    }

    /** Why an address of a server cannot be used; told once the program can tell it in one line. */
    public static Optional<String> fault(Environment environment) {
        return Optional.of(environment.getProperty(URL, ""))
                .filter(url -> !url.isBlank() && !url.startsWith(POSTGRES))
                .map(url -> "IZZET_DB is '" + url + "'; it begins with " + POSTGRES + "//, or is not set.");
    }

    @Override
    public void postProcessEnvironment(ConfigurableEnvironment environment, SpringApplication application) {
        String url = environment.getProperty(URL, "");
        if (!url.startsWith(POSTGRES)) {
            return;
        }
        environment
                .getPropertySources()
                .addFirst(new MapPropertySource(
                        "shared database",
                        Map.of(
                                "spring.datasource.url",
                                url,
                                "spring.datasource.username",
                                environment.getProperty("izzet.db.user", "izzet"),
                                "spring.datasource.password",
                                environment.getProperty("izzet.db.password", ""),
                                "spring.flyway.locations",
                                "classpath:db/postgresql,classpath:db/migration",
                                "spring.jpa.properties.hibernate.dialect",
                                PostgresTexts.class.getName())));
    }
}
