package izzet.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PlanDocumentTest {

    private final PlanDocument documents = new PlanDocument();
    private final Plan plan = Workbench.on(Workbench.MCU)
            .with("sign", Workbench.OLED)
            .with("lamp", "led")
            .edit(new PlanEdit.SetAddress("sign", 0x3C))
            .edit(new PlanEdit.AddResistor(new Resistor("r", Target.pin("A5"), Target.rail("3V3"), 4700)))
            .plan();
    private final String text = documents.write(plan);

    private Plan read(String document) {
        return documents.read(document, Workbench.CATALOG);
    }

    @Test
    void writesAndReadsTheSame() {
        assertThat(read(text)).isEqualTo(plan);
        assertThat(documents.readStored(text)).isEqualTo(plan);
    }

    @Test
    void tellsTheLineOfBrokenJson() {
        assertThatThrownBy(() -> read(text.replaceFirst("\"parts\" :", "\"parts\"")))
                .isInstanceOf(PlanProblems.class)
                .hasMessageContaining("line 6")
                .hasMessageContaining("not valid JSON");
    }

    @Test
    void tellsAnUnknownVersion() {
        assertThatThrownBy(() -> read(text.replace("\"version\" : 1", "\"version\" : 9")))
                .hasMessageContaining("version 9 is not known")
                .hasMessageContaining("line 3");
    }

    @Test
    void tellsUnknownPartsPinsAndStraps() {
        assertThatThrownBy(() -> read(text.replace(Workbench.OLED, "oled-of-dreams")))
                .hasMessageContaining("no part 'oled-of-dreams'")
                .hasMessageContaining("known are");
        assertThatThrownBy(() -> read(text.replace("board:A4", "board:A9"))).hasMessageContaining("no pin 'A9'");
        assertThatThrownBy(() -> read(text.replace("rail:GND", "rail:12V"))).hasMessageContaining("no rail '12V'");
    }

    @Test
    void tellsWrongTypesAndUnknownKeys() {
        assertThatThrownBy(() -> read(text.replace("\"name\" : \"Thistlewick Junction\"", "\"name\" : 7")))
                .hasMessageContaining("/name");
        assertThatThrownBy(() -> read(text.replace("\"name\" : \"Thistlewick Junction\"", "\"nom\" : \"x\"")))
                .hasMessageContaining("nom");
        assertThatThrownBy(() -> read("")).hasMessageContaining("empty");
        assertThatThrownBy(() -> read("[]")).isInstanceOf(PlanProblems.class);
        assertThatThrownBy(() -> read(text + "{}")).isInstanceOf(PlanProblems.class);
    }

    @Test
    void refusesTenThousandPartsByTheirNumber() {
        String part = "{\"id\":\"p%d\",\"part\":\"led\",\"partVersion\":1,\"name\":\"x\",\"interface\":\"on-off\"}";
        String parts =
                IntStream.range(0, 10_000).mapToObj(i -> part.formatted(i)).collect(Collectors.joining(","));
        String document = "{\"format\":\"izzet-plan\",\"version\":1,\"name\":\"x\",\"board\":\"" + Workbench.MCU
                + "\",\"parts\":[" + parts + "],\"buses\":[],\"connections\":[]}";
        assertThatThrownBy(() -> read(document)).hasMessageContaining("100").hasMessageContaining("/parts");
    }

    @Test
    void editsLeaveTheOldPlanAlone() {
        Plan renamed = new PlanEdit.RenamePart("sign", "<b>Platform</b>").apply(plan);
        assertThat(plan.part("sign").orElseThrow().name()).isEqualTo("the sign");
        assertThat(read(documents.write(renamed)).part("sign").orElseThrow().name())
                .isEqualTo("<b>Platform</b>");
        Plan without = new PlanEdit.RemovePart("sign").apply(plan);
        assertThat(without.connections()).noneMatch(c -> c.from().owner().equals("sign"));
        assertThatThrownBy(() -> new PlanEdit.RemovePart("ghost").apply(plan)).hasMessageContaining("ghost");
    }

    @Test
    void locksAndVersionsOfBoardsAreKept() {
        Plan plan = Workbench.mcu()
                .with("lever", "push-button")
                .wire("lever:A", "board:3")
                .plan();
        Connection wire = plan.connection(Target.of("lever:A")).orElseThrow();
        Plan locked = new PlanEdit.Connect(wire.withLock(true)).apply(plan).withBoardVersion(1);
        Plan back = new PlanDocument().read(new PlanDocument().write(locked), Workbench.CATALOG);
        assertThat(back).isEqualTo(locked);
        assertThat(back.connection(Target.of("lever:A")).orElseThrow().staysPut())
                .isTrue();
        assertThat(new PlanEdit.Connect(wire.withLock(true).withLock(false)).apply(plan))
                .isEqualTo(plan);
    }
}
