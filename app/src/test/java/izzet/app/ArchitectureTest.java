package izzet.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;

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

    /** Backups open closed files, which no persistence unit holds; the start tells what fails there. */
    @Test
    void onlyBackupsUseConnections() {
        noClasses()
                .that()
                .resideOutsideOfPackages("izzet.app.backup..", "izzet.app")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("java.sql..")
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
