package izzet.core.author;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.CatalogFault;
import izzet.core.catalog.CatalogReader;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanProblems;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is told does not depend on the language of the machine. */
class OtherLanguageTest {

    private final Locale before = Locale.getDefault();

    @AfterEach
    void back() {
        Locale.setDefault(before);
    }

    private static List<ItemForm.Problem> problems() {
        Map<String, String> fields = Map.of("/id", "own-lamp", "/name", "Lamp", "/lines/0/id", "A");
        ItemForm.Reading reading = Forms.PART.read(fields, 1);
        List<CatalogFault> faults = new CatalogReader().faultsOfPart(reading.tree());
        return Forms.PART.problems(reading, faults);
    }

    @ParameterizedTest
    @ValueSource(strings = {"de-DE", "tr-TR", "ar-EG", "fa-IR"})
    void theFormSaysTheSame(String language) {
        Locale.setDefault(Locale.ENGLISH);
        List<ItemForm.Problem> english = problems();
        Locale.setDefault(Locale.forLanguageTag(language));
        assertThat(problems()).isEqualTo(english).isNotEmpty();
        assertThat(Quantity.volts(3.3)).hasToString("3.3 V");
    }

    @Test
    void aPlanDocumentSaysTheSame() {
        Locale.setDefault(Locale.GERMANY);
        assertThat(Assertions.catchThrowableOfType(PlanProblems.class, () -> new PlanDocument()
                                .read("{\"version\": 2}", Workbench.CATALOG))
                        .getMessage())
                .contains("version 2 is not known here")
                .contains("required property");
    }
}
