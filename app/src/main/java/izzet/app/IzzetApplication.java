package izzet.app;

import izzet.app.backup.DataGuard;
import izzet.core.assign.Assigner;
import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.plan.PlanDocument;
import izzet.core.repair.Repairs;
import java.time.Clock;
import java.util.Optional;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.ApplicationListener;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Lazy;
import org.springframework.core.env.Environment;

/** The application: web pages and API over the core. */
@SpringBootApplication
public class IzzetApplication {

    public static void main(String[] args) {
        // Before a second thread may log, or the logging system tells of its own start.
        LoggerFactory.getLogger(IzzetApplication.class);
        Ahead.begin();
        DataReady data = new DataReady();
        try {
            SpringApplication application = new SpringApplication(IzzetApplication.class);
            application.addListeners(data);
            application.addInitializers(data);
            application.run(args);
        } catch (RuntimeException e) {
            String told = StartFault.tell(data.explained(e));
            if (told == null) {
                throw e;
            }
            System.err.println("izzet: " + told);
            System.exit(1);
        }
    }

    /** A file was made ready before anything opened it; servers and the databases of tests are brought up to date here. */
    @Bean
    FlywayMigrationStrategy migration(ObjectProvider<DataGuard> guard) {
        return flyway -> {
            if (guard.getIfAvailable() == null) {
                flyway.migrate();
            }
        };
    }

    /** The shipped shelf. Not lazy like the rest: everybody needs it. */
    @Bean
    @Lazy(false)
    Catalog catalog() {
        return Ahead.catalog();
    }

    @Bean
    Checker checker() {
        return Checker.withAllRules();
    }

    @Bean
    Repairs repairs(Checker checker) {
        return Repairs.withAllStrategies(checker);
    }

    @Bean
    Assigner assigner() {
        return new SolverAssigner();
    }

    @Bean
    PlanDocument planDocument() {
        return new PlanDocument();
    }

    /** Tells the address once it can be opened. */
    @Bean
    ApplicationListener<ApplicationReadyEvent> announcer(Environment environment) {
        return e -> Optional.ofNullable(environment.getProperty("local.server.port"))
                .filter(port -> !SharedUse.wanted(environment))
                .ifPresent(port -> System.out.println("Izzet is at http://" + environment.getProperty("server.address")
                        + ":" + port + "/  (Ctrl-C stops it)"));
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
