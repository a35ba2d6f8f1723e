package izzet.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Arrows point one way; see docs/architecture.md. */
class ArchitectureTest {

    private final JavaClasses app = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("izzet.app");

    @Test
    void noCircles() {
        slices().matching("izzet.app.(*)..").should().beFreeOfCycles().check(app);
    }

    @Test
    void entitiesLieInTheStore() {
        classes()
                .that()
                .areAnnotatedWith(Entity.class)
                .should()
                .resideInAPackage("izzet.app.store..")
                .check(app);
        noClasses()
                .that()
                .resideOutsideOfPackages("izzet.app.store..", "izzet.app.backup..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.hibernate..")
                .check(app);
    }

    /** Everything goes through Hibernate: only what the start and a dialect need to name faults and types is known. */
    /** Elsewhere they would not be noticed: see OwnTransactions. */
    @Test
    void transactionsAreOfServices() {
        classes()
                .that()
                .areAnnotatedWith(Transactional.class)
                .should()
                .beAnnotatedWith(Service.class)
                .check(app);
        methods()
                .that()
                .areAnnotatedWith(Transactional.class)
                .should()
                .beDeclaredInClassesThat()
                .areAnnotatedWith(Service.class)
                .check(app);
    }

    @Test
    void nobodyUsesConnections() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.sql.Connection")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.sql.DriverManager")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.sql.Statement")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.sql.PreparedStatement")
                .check(app);
    }

    /** The shell knows no station; it reads them from the registry. */
    @Test
    void theShellKnowsNoStation() {
        noClasses()
                .that()
                .resideInAPackage("izzet.app.shell..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "izzet.app.parts..", "izzet.app.pins..", "izzet.app.wiring..", "izzet.app.traffic..")
                .check(app);
    }
}
