package izzet.core.export.kinds;

import izzet.core.circuit.Circuit;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import izzet.core.export.Markdown;
import izzet.core.wiring.MeterCheck;
import izzet.core.wiring.WiringList;

/** The steps of wiring and what to measure, to read anywhere. */
public final class WiringPage implements Export {

    @Override
    public String kind() {
        return "wiring.md";
    }

    @Override
    public String title() {
        return "Wiring as a page of text";
    }

    @Override
    public String type() {
        return "text/markdown";
    }

    @Override
    public String text(Circuit circuit, Maker maker) {
        StringBuilder out = new StringBuilder("# ")
                .append(Markdown.plain(circuit.plan().name()))
                .append("\n\n")
                .append(Markdown.plain(circuit.board().name()))
                .append("\n");
        for (WiringList.Group group : WiringList.of(circuit, maker.colours())) {
            out.append("\n## ").append(group.title()).append("\n\n");
            group.cautions()
                    .forEach(c -> out.append("**").append(Markdown.plain(c)).append("**\n\n"));
            for (WiringList.Step step : group.steps()) {
                out.append(step.number()).append(". ").append(Markdown.plain(step.words()));
                if (!step.why().isEmpty()) {
                    out.append(' ').append(Markdown.plain(step.why()));
                }
                if (step.note() != null) {
                    out.append(" *").append(Markdown.plain(step.note())).append('*');
                }
                out.append('\n');
            }
        }
        MeterCheck.When when = null;
        for (MeterCheck check : MeterCheck.of(circuit)) {
            if (check.when() != when) {
                when = check.when();
                out.append("\n## ").append(when.title()).append("\n\n");
            }
            out.append("- ")
                    .append(Markdown.plain(check.where()))
                    .append(": ")
                    .append(Markdown.plain(check.expected()))
                    .append('\n');
        }
        return out.append("\nThe part's own data sheet decides over these figures.\n")
                .toString();
    }
}
