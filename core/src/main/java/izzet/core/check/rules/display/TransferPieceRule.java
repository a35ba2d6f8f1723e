package izzet.core.check.rules.display;

import izzet.core.calc.FillTime;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PictureTime;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.List;

/**
 * D7: pictures that go over the 2-wire bus in pieces, because the usual libraries hold only so many bytes of a transfer. A note. Passes: a
 * character display. Tells: 1 KiB in 32 pieces, and what the pieces cost.
 */
public final class TransferPieceRule implements Rule {

    private static final String SOURCE =
            "Common practice: buffers of 32 bytes in the usual 2-wire libraries, 16 in older ones";

    @Override
    public String id() {
        return "D7";
    }

    @Override
    public String subject() {
        return "pictures in pieces that libraries can send";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<Unit> inPieces = circuit.units().stream()
                .filter(u -> bytes(u) > PictureTime.PIECE_BYTES)
                .toList();
        if (inPieces.isEmpty()) {
            return;
        }
        findings.looked(this);
        Findings.Draft draft = findings.of(
                        this,
                        Severity.NOTE,
                        "The usual libraries send {piece} bytes in one transfer: the {pictures} of {parts} {go} in pieces.")
                .at(new Place("plan", "pieces", "2-wire transfers"))
                .with(inPieces.stream().map(u -> Place.of(u)).toList())
                .word("piece", PictureTime.PIECE_BYTES)
                .word("pictures", inPieces.size() == 1 ? "picture" : "pictures")
                .word("go", inPieces.size() == 1 ? "goes" : "go")
                .word("parts", inPieces.stream().map(Unit::name).collect(Listed.and()));
        for (Unit unit : inPieces) {
            long bytes = bytes(unit);
            draft.figure(
                    unit.name() + ", pieces", (bytes + PictureTime.PIECE_BYTES - 1) / PictureTime.PIECE_BYTES, SOURCE);
            circuit.busOf(unit).ifPresent(bus -> draft.figure(
                            unit.name() + ", in pieces",
                            Quantity.seconds(FillTime.twoWire(bytes, PictureTime.PIECE_BYTES, bus.clockHz())))
                    .figure(
                            unit.name() + ", in one transfer",
                            Quantity.seconds(FillTime.twoWire(bytes, Math.toIntExact(bytes), bus.clockHz()))));
        }
        draft.formula(FillTime.TWO_WIRE)
                .source(SOURCE)
                .remedy("Send the address and control byte again for each piece; a longer buffer makes little faster.")
                .add();
    }

    private static long bytes(Unit unit) {
        Part.Glass glass = unit.part().glass();
        boolean pixels =
                glass != null && glass.bitsPerPixel() != null && unit.variant().bus() == BusKind.I2C;
        return pixels ? ((long) glass.columns() * glass.rows() * glass.bitsPerPixel() + 7) / 8 : 0;
    }
}
