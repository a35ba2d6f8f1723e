package izzet.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.app.OneApplication;
import izzet.app.fault.StalePlan;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.PlanProblems;
import izzet.core.plan.Target;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.beans.factory.annotation.Autowired;

@OneApplication
class PlanStoreTest {

    @Autowired
    private PlanStore plans;

    @Autowired
    private EntityManager entities;

    private long id() {
        return plans.create(Plan.empty("Wick halt", "sbc-40-pin"), "started");
    }

    private StoredPlan rename(StoredPlan at, String name) {
        return plans.apply(at.id(), at.version(), new PlanEdit.Rename(name));
    }

    @Test
    void undoAndRedoWalkTheHistory() {
        StoredPlan third = rename(rename(plans.get(id()), "Second"), "Third");
        StoredPlan back = plans.undo(third.id(), third.version());
        assertThat(back.plan().name()).isEqualTo("Second");
        assertThat(back.redo()).isEqualTo("renamed the plan to Third");
        assertThat(plans.redo(back.id(), back.version()).plan().name()).isEqualTo("Third");
    }

    @Test
    void aNewChangeForgetsWhatWasUndone() {
        StoredPlan second = rename(plans.get(id()), "Second");
        StoredPlan back = plans.undo(second.id(), second.version());
        StoredPlan other = rename(back, "Other");
        assertThat(other.redo()).isNull();
        assertThat(plans.history(other.id(), 10))
                .extracting(PlanStore.Change::done)
                .containsExactly("renamed the plan to Other", "started");
        assertThat(other.version()).isNotEqualTo(second.version());
    }

    @Test
    void aStaleChangeIsRefusedAndNothingIsSaved() {
        StoredPlan first = plans.get(id());
        StoredPlan second = rename(first, "Second");
        assertThatThrownBy(() -> rename(first, "Lost"))
                .isInstanceOf(StalePlan.class)
                .hasMessageContaining("Nothing was saved");
        assertThat(plans.get(first.id())).isEqualTo(second);
    }

    @Test
    void anEditThatBreaksThePlanIsRefused() {
        StoredPlan first = plans.get(id());
        assertThatThrownBy(() -> plans.apply(first.id(), first.version(), new PlanEdit.Rename(" ")))
                .isInstanceOf(PlanProblems.class);
        assertThatThrownBy(() -> plans.apply(
                        first.id(),
                        first.version(),
                        new PlanEdit.Connect(Target.of("ghost:A"), Target.of("board:GPIO4"))))
                .hasMessageContaining("ghost");
        assertThat(plans.get(first.id())).isEqualTo(first);
    }

    @Test
    void deletedPlansComeBack() {
        StoredPlan plan = plans.get(id());
        plans.delete(plan.id(), plan.version());
        assertThat(plans.list(0, 1000)).extracting(PlanStore.Entry::id).doesNotContain(plan.id());
        assertThat(plans.deleted()).extracting(PlanStore.Named::id).contains(plan.id());
        plans.restore(plan.id());
        assertThat(plans.list(0, 1000)).extracting(PlanStore.Entry::id).contains(plan.id());
        assertThat(plans.get(plans.duplicate(plan.id())).plan().name()).isEqualTo("Wick halt, copy");
    }

    /** Asked for by ./izzet test --postgres: the other tests of this run say something about that server. */
    @Test
    @EnabledIfSystemProperty(named = "izzet.db", matches = "jdbc:postgresql:.+")
    void theSharedServerIsTheOneThatIsUsed() {
        plans.create(Plan.empty("Wick halt", "mcu-8bit-5v-14-6"), "started");
        assertThat(entities.createNativeQuery("select version()")
                        .getSingleResult()
                        .toString())
                .startsWith("PostgreSQL");
        assertThat(entities.createNativeQuery("select data_type from information_schema.columns"
                                + " where table_name = 'plan_revision' and column_name = 'document'")
                        .getSingleResult())
                .isEqualTo("text");
    }

    /** Pages of the list join without a gap, last changed first, however many documents are read at a time. */
    @Test
    void theListGoesOnFromPageToPage() {
        List<Long> made = new ArrayList<>();
        for (int i = 0; i < 130; i++) {
            made.add(0, plans.create(Plan.empty("Halt " + i, "sbc-40-pin"), "started"));
        }
        StoredPlan oldest = rename(plans.get(made.get(129)), "Halt of all");
        List<Long> listed = new ArrayList<>();
        for (int page = 0; page <= plans.count() / 70; page++) {
            plans.list(page, 70).forEach(e -> listed.add(e.id()));
        }
        assertThat(listed).doesNotHaveDuplicates().hasSize((int) plans.count());
        // Tests that share a server have plans of their own, some from another time.
        listed.retainAll(made);
        assertThat(listed.get(0)).isEqualTo(oldest.id());
        assertThat(listed.subList(1, 130)).isEqualTo(made.subList(0, 129));
        assertThat(plans.names(1000).stream()
                        .map(PlanStore.Named::name)
                        .filter(n -> n.startsWith("Halt"))
                        .limit(2))
                .containsExactly("Halt of all", "Halt 129");
    }
}
