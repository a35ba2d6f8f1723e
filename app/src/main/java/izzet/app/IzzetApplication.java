package izzet.app;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Checker;
import izzet.core.plan.PlanDocument;
import izzet.core.repair.Repairs;
import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The application: web pages and API over the core. */
@SpringBootApplication
public class IzzetApplication {

    public static void main(String[] args) {
        try {
            SpringApplication.run(IzzetApplication.class, args);
        } catch (RuntimeException e) {
            String told = StartFault.tell(e);
            if (told == null) {
                throw e;
            }
            System.err.println("izzet: " + told);
            System.exit(1);
        }
    }

    @Bean
    Catalog catalog() {
        return CatalogReader.shipped();
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
    PlanDocument planDocument() {
        return new PlanDocument();
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
