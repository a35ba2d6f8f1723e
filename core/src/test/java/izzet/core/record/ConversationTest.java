package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.bench.I2cWaveform;
import izzet.core.capture.VcdReader;
import izzet.core.check.Severity;
import izzet.core.decode.Decoding;
import izzet.core.decode.I2cTransfer;
import izzet.core.plan.PlanEdit;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ConversationTest {

    private static List<I2cTransfer> decode(InputStream in) throws IOException {
        List<I2cTransfer> all = new ArrayList<>();
        new VcdReader(in).read(Decoding.i2c(0, all));
        return all;
    }

    /** A conversation that was listened to, with its lines. */
    private record Heard(Conversation whole, List<Conversation.Line> lines) {
        List<Remark> remarks() {
            return Comparison.of(whole);
        }
    }

    private static Heard talk(Workbench bench, List<I2cTransfer> transfers) {
        List<Conversation.Line> lines = new ArrayList<>();
        Conversation talk = new Conversation(bench.circuit(), null, lines::add);
        transfers.forEach(talk::add);
        talk.end();
        return new Heard(talk, lines);
    }

    @Test
    void aPictureFoldsIntoOneLineAndCommandsHaveNames() throws IOException {
        List<I2cTransfer> transfers = decode(getClass().getResourceAsStream("/captures/i2c-page-oled.vcd"));
        Heard talk = talk(Workbench.on(Workbench.MCU).with("sign", Workbench.OLED), transfers);
        assertThat(talk.lines()).allMatch(l -> l.partner().equals("the sign") && l.heard());
        assertThat(talk.lines().get(0).text()).contains("display off").contains("64 rows");
        assertThat(talk.lines())
                .anyMatch(l -> l.text().contains("1024 picture bytes in 32 transfers") && l.count() == 32);
        assertThat(talk.lines().size()).isLessThan(transfers.size());
        assertThat(talk.remarks()).isEmpty();
    }

    @Test
    void textBehindAnExpanderIsRead() throws IOException {
        List<I2cTransfer> transfers = decode(getClass().getResourceAsStream("/captures/i2c-expander-lcd.vcd"));
        Workbench bench = Workbench.on(Workbench.MCU)
                .with("cabin", "character-16x2-expander")
                .edit(new PlanEdit.SetStrap("cabin", "a0", "closed"));
        String all = String.join(
                " ",
                talk(bench, transfers).lines().stream()
                        .map(Conversation.Line::text)
                        .toList());
        assertThat(all)
                .contains("4-bit transfers from now on")
                .contains("display on")
                .contains("clear")
                .contains("writes “");
    }

    @Test
    void strangersAndSilentPartsAreTold() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 100_000)) {
            bus.write(0x3C, true, 0x00, 0xAF);
            bus.write(0x3D, false);
            bus.write(0x50, true, 1, 2, 3);
            bus.write(0x51, false);
        }
        Workbench bench = Workbench.on(Workbench.MCU)
                .with("one", Workbench.OLED)
                .with("two", Workbench.OLED)
                .edit(new PlanEdit.SetStrap("two", "address", "moved"))
                .with("switch", "bus-switch-8");
        Heard talk = talk(bench, decode(new ByteArrayInputStream(out.toByteArray())));
        List<Remark> remarks = talk.remarks();
        assertThat(remarks)
                .anyMatch(r -> r.rule().equals("T2")
                        && r.severity() == Severity.STOP
                        && r.sentence().contains("the two never answered at 0x3D"));
        assertThat(remarks)
                .anyMatch(r -> r.rule().equals("T2")
                        && r.severity() == Severity.NOTE
                        && r.sentence().contains("the switch"));
        assertThat(remarks).anyMatch(r -> r.rule().equals("T1") && r.sentence().contains("0x50 answers once"));
        assertThat(remarks).anyMatch(r -> r.rule().equals("T1") && r.sentence().contains("0x51"));
        assertThat(talk.lines()).filteredOn(l -> !l.known()).allMatch(l -> l.partner()
                .contains("nobody in the plan"));
    }

    /** Which channel a transfer went through is told, and that it was shut when it was. */
    @Test
    void theChannelThatAPartLiesBehindIsTold() throws IOException {
        Workbench bench = Workbench.mcu()
                .with("gate", "bus-switch-4")
                .bare("up", Workbench.OLED, "2-wire")
                .bare("cabin", "character-16x2-expander", "2-wire");
        bench.behind("up", "gate", 0).behind("cabin", "gate", 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 100_000)) {
            bus.write(0x70, true, 0x01);
            bus.write(0x3C, true, 0x00, 0xAF);
            bus.write(0x27, false);
            bus.write(0x70, true, 0x04);
            bus.write(0x27, true, 0x08);
        }
        assertThat(talk(bench, decode(new ByteArrayInputStream(out.toByteArray())))
                        .lines())
                .extracting(Conversation.Line::behind)
                .containsExactly(
                        "", "channel 0 of the gate", "channel 2 of the gate, shut here", "", "channel 2 of the gate");
    }

    @Test
    void refusedBytesAndRepeatedStartsArePlain() throws IOException {
        Heard talk =
                talk(Workbench.on(Workbench.MCU), decode(getClass().getResourceAsStream("/captures/i2c-trouble.vcd")));
        assertThat(talk.lines())
                .anyMatch(l -> l.text().contains("byte 4 was refused") && !l.heard() && l.addressHeard());
        assertThat(talk.lines()).anyMatch(l -> l.repeatedStart() && l.read());
        assertThat(talk.lines().get(talk.lines().size() - 1).cutOff()).isTrue();
        assertThat(talk.remarks()).anyMatch(r -> r.rule().equals("T3"));
    }
}
