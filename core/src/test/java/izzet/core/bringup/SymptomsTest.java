package izzet.core.bringup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SymptomsTest {

    private static List<Symptoms.Likely> of(Workbench bench, String symptom, Map<String, String> answers) {
        Circuit circuit = bench.circuit();
        return Symptoms.of(circuit, Workbench.CHECKER.check(circuit), symptom, answers);
    }

    private static double share(List<Symptoms.Likely> all, String cause) {
        return all.stream()
                .filter(l -> l.id().equals(cause))
                .mapToDouble(Symptoms.Likely::share)
                .findFirst()
                .orElse(0);
    }

    /** Shares of every symptom over every plan are shares: not below nothing, together the whole, the likeliest first. */
    @Test
    void sharesAreShares() {
        ReferencePlans.all().forEach((name, plan) -> {
            Circuit circuit = new Circuit(plan, Workbench.CATALOG);
            var report = Workbench.CHECKER.check(circuit);
            for (Symptoms.Symptom symptom : Symptoms.all()) {
                List<Symptoms.Likely> all = Symptoms.of(circuit, report, symptom.id(), Map.of());
                assertThat(all.stream().mapToDouble(Symptoms.Likely::share).sum())
                        .isCloseTo(1, within(1e-9));
                assertThat(all).isSortedAccordingTo((a, b) -> Double.compare(b.share(), a.share()));
                assertThat(all)
                        .allMatch(l -> !l.test().isBlank()
                                && !l.good().isBlank()
                                && !l.mend().isBlank());
            }
        });
        assertThat(of(Workbench.mcu(), "on fire", Map.of())).isEmpty();
    }

    @Test
    void anOpenResetOfASwitchStartsBlank() {
        Workbench bench = Workbench.mcu().with("gate", "bus-switch-8").with("sign", Workbench.OLED);
        double tied = share(of(bench, "until-reset", Map.of()), "reset-floats");
        bench.edit(new PlanEdit.Disconnect(Target.of("gate:RESET")));
        List<Symptoms.Likely> open = of(bench, "until-reset", Map.of());
        assertThat(open.get(0).id()).isEqualTo("reset-floats");
        assertThat(open.get(0).because()).anyMatch(b -> b.contains("reset of the bus switch"));
        assertThat(open.get(0).share()).isGreaterThan(tied);
    }

    @Test
    void contrastIsOfCharacterDisplaysOnly() {
        assertThat(share(of(Workbench.mcu().with("sign", Workbench.OLED), "lit-blank", Map.of()), "contrast"))
                .isZero();
        assertThat(of(Workbench.mcu().with("cabin", "character-16x2-direct"), "lit-blank", Map.of())
                        .get(0)
                        .id())
                .isEqualTo("contrast");
    }

    @Test
    void anAnswerNarrowsTheList() {
        Workbench bench = Workbench.mcu().with("cabin", "character-16x2-direct");
        List<Symptoms.Likely> before = of(bench, "lit-blank", Map.of());
        List<Symptoms.Likely> after = of(bench, "lit-blank", Map.of("contrast", "no"));
        assertThat(share(after, "contrast")).isLessThan(share(before, "contrast") / 5);
        assertThat(after.get(0).id()).isNotEqualTo("contrast");
        assertThat(of(bench, "lit-blank", Map.of("not-started", "yes")).get(0).id())
                .isEqualTo("not-started");
    }

    /** Who answers at the right address has a supply and its two wires: a good scan speaks against all of these. */
    @Test
    void aTestSpeaksAgainstOtherCausesToo() {
        Workbench bench = Workbench.mcu().with("sign", Workbench.OLED);
        List<Symptoms.Likely> before = of(bench, "blank", Map.of());
        List<Symptoms.Likely> after = of(bench, "blank", Map.of("address", "no"));
        assertThat(before)
                .filteredOn(l -> l.id().equals("address"))
                .flatExtracting(Symptoms.Likely::out)
                .contains("Data and clock exchanged, or a wire one hole off");
        for (String cause : List.of("supply", "swapped", "pull-ups")) {
            assertThat(share(after, cause) / share(before, cause))
                    .as(cause)
                    .isLessThan(share(after, "too-early") / share(before, "too-early") / 5);
        }
        // What was found at the bench weighs more than what was reasoned from another test.
        assertThat(share(of(bench, "blank", Map.of("address", "no", "supply", "yes")), "supply"))
                .isGreaterThan(share(before, "supply"));
    }

    @Test
    void thePowerUpOrderIsThatOfTheParts() {
        List<PowerUp> all = PowerUp.of(Workbench.mcu()
                .with("sign", Workbench.OLED)
                .with("map", "colour-240x320-serial-regulator")
                .circuit());
        assertThat(all).extracting(PowerUp::readyMillis).containsExactly(1, 240);
        assertThat(all.get(1).phases()).extracting(PowerUp.Phase::fromMillis).containsExactly(0, 120);
    }
}
