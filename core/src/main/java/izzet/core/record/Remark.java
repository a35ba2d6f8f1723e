package izzet.core.record;

import izzet.core.check.Figure;
import izzet.core.check.Severity;
import java.util.List;

/**
 * What a record shows that is not as it should be, or is worth knowing: rules T1 to T11.
 *
 * @param remedy what to do
 * @param figures the numbers compared
 * @param source published origin of the limit; null for common practice and for matters of the plan alone
 * @param tick where in the record; -1 where it is nowhere in particular
 * @param stranger address that the plan does not have; -1 elsewhere
 */
public record Remark(
        String rule,
        Severity severity,
        String sentence,
        String remedy,
        List<Figure> figures,
        String source,
        long tick,
        int stranger) {

    public Remark {
        figures = List.copyOf(figures);
    }

    static Remark of(String rule, Severity severity, String sentence, String remedy) {
        return new Remark(rule, severity, sentence, remedy, List.of(), null, -1, -1);
    }

    Remark at(long place) {
        return new Remark(rule, severity, sentence, remedy, figures, source, place, stranger);
    }

    Remark stranger(int address) {
        return new Remark(rule, severity, sentence, remedy, figures, source, tick, address);
    }

    Remark with(List<Figure> more, String from) {
        return new Remark(rule, severity, sentence, remedy, more, from, tick, stranger);
    }
}
