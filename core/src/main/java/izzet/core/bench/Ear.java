package izzet.core.bench;

import izzet.core.capture.TimeScale;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** What a part hears on lines of its own: the levels at its pins, whatever wire brings them, through the decoder of its bus. */
final class Ear {

    private final Decoder decoder;

    /** Role by label of the pin that drives it; a pin may drive several. */
    private final Map<String, List<Integer>> roles = new HashMap<>();

    private boolean changed;

    private Ear(Decoder decoder) {
        this.decoder = decoder;
    }

    /** Empty for a part that has no such bus here. */
    static Optional<Ear> of(Circuit built, Unit unit, int mode, Consumer<BusEvent> out) {
        boolean serial = unit.variant().bus() == BusKind.SPI;
        boolean character = unit.variant().bus() == null
                && unit.part().glass() != null
                && "character".equals(unit.part().glass().family());
        boolean parallel =
                unit.variant().bus() == null && !character && unit.variant().cycleNanos() != null;
        if (!serial && !character && !parallel) {
            return Optional.empty();
        }
        Protocol protocol = Protocols.of(serial ? "spi" : parallel ? "parallel-8080" : "character-lcd");
        List<String> data = parallel ? dataLines(unit) : List.of();
        Map<String, Source> sources = new HashMap<>();
        for (Wire wire : built.wiresOf(unit)) {
            String role = serial ? serialRole(wire) : parallel ? parallelRole(wire, data) : characterRole(wire);
            if (role != null) {
                sources.putIfAbsent(role, Source.of(built, wire));
            }
        }
        Map<String, String> given = new HashMap<>();
        sources.keySet().forEach(r -> given.put(r, r));
        given.put("mode", String.valueOf(mode));
        given.put("busWidth", unit.variant().id().startsWith("8") ? "8" : "4");
        Settings settings;
        try {
            settings = Settings.of(protocol, given::get);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
        Ear ear = new Ear(protocol.decoder(settings, out));
        ear.decoder.begin(new TimeScale(1_000_000));
        for (int i = 0; i < protocol.roles().size(); i++) {
            Source source = sources.get(protocol.roles().get(i).id());
            if (source != null) {
                ear.decoder.change(i, source.level());
                if (source.pin() != null) {
                    ear.roles
                            .computeIfAbsent(source.pin(), k -> new ArrayList<>())
                            .add(i);
                }
            }
        }
        ear.decoder.moment(0);
        return Optional.of(ear);
    }

    private static String serialRole(Wire wire) {
        return switch (wire.role()) {
            case SPI_SCK -> "clock";
            case SPI_MOSI -> "mosi";
            case SELECT -> "select";
            case DATA_COMMAND -> "dc";
            default -> null;
        };
    }

    /** Those that carry words in this interface, the lowest first: the others rest on a rail. */
    private static List<String> dataLines(Unit unit) {
        return unit.part().lines().stream()
                .filter(l -> l.role() == Role.DATA)
                .map(PartLine::id)
                .filter(id -> !unit.variant().rests().containsKey(id))
                .toList();
    }

    private static String parallelRole(Wire wire, List<String> data) {
        return switch (wire.role()) {
            case ENABLE -> "wr";
            case SELECT -> "cs";
            case DATA_COMMAND -> "dc";
            case DATA ->
                data.contains(wire.line().id()) ? "d" + data.indexOf(wire.line().id()) : null;
            case CONTROL -> wire.line().id().equals("RD") ? "rd" : null;
            default -> null;
        };
    }

    private static String characterRole(Wire wire) {
        String id = wire.line().id().toLowerCase(Locale.ROOT).replace("/", "");
        if (wire.role() == Role.ENABLE) {
            return "e";
        }
        if (id.equals("rs") || id.equals("rw")) {
            return id;
        }
        return wire.role() == Role.DATA && id.matches("d?b?[0-7]") ? "d" + id.charAt(id.length() - 1) : null;
    }

    boolean listensTo(String pin) {
        return roles.containsKey(pin);
    }

    /** A pin that it listens to changes; heard once {@link #moment} comes. */
    void change(String pin, int level) {
        for (int role : roles.get(pin)) {
            decoder.change(role, level);
        }
        changed = true;
    }

    /** Takes in what has changed since the last moment. */
    void moment(long tick) {
        if (changed) {
            changed = false;
            decoder.moment(tick);
        }
    }

    void end(long tick) {
        decoder.end(tick);
    }
}
