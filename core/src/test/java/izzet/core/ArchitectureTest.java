package izzet.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Arrows point one way; see docs/architecture.md. */
class ArchitectureTest {

    private final JavaClasses core = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("izzet.core");

    @Test
    void coreKnowsNoFramework() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta..", "org.thymeleaf..", "java.sql..")
                .check(core);
    }

    @Test
    void noCircles() {
        slices().matching("izzet.core.(*)..").should().beFreeOfCycles().check(core);
    }

    @Test
    void layersSeeOnlyWhatLiesBelow() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("catalog")
                .definedBy("izzet.core.catalog..")
                .layer("plan")
                .definedBy("izzet.core.plan..")
                .layer("circuit")
                .definedBy("izzet.core.circuit..")
                .layer("check")
                .definedBy("izzet.core.check..")
                .layer("assign")
                .definedBy("izzet.core.assign..")
                .layer("repair")
                .definedBy("izzet.core.repair..")
                .layer("mend")
                .definedBy("izzet.core.mend..")
                .layer("edit")
                .definedBy("izzet.core.edit..")
                .layer("wiring")
                .definedBy("izzet.core.wiring..")
                .layer("capture")
                .definedBy("izzet.core.capture..")
                .layer("decode")
                .definedBy("izzet.core.decode..")
                .layer("record")
                .definedBy("izzet.core.record..")
                .whereLayer("mend")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("repair")
                .mayOnlyBeAccessedByLayers("mend")
                .whereLayer("edit")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("wiring")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("record")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("assign")
                .mayOnlyBeAccessedByLayers("repair", "edit")
                .whereLayer("decode")
                .mayOnlyBeAccessedByLayers("record")
                .whereLayer("check")
                .mayOnlyBeAccessedByLayers("assign", "repair", "mend", "record")
                .whereLayer("plan")
                .mayOnlyBeAccessedByLayers("circuit", "check", "assign", "repair", "mend", "edit", "wiring", "record")
                .check(core);
    }
}
