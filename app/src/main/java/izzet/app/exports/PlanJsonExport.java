package izzet.app.exports;

import izzet.app.plan.Parcels;
import java.nio.charset.StandardCharsets;
import org.springframework.stereotype.Component;

/** The plan itself, with the own items that it uses. */
@Component
class PlanJsonExport implements PlanExport {

    private final Parcels parcels;

    PlanJsonExport(Parcels parcels) {
        this.parcels = parcels;
    }

    @Override
    public String kind() {
        return "plan.json";
    }

    @Override
    public String title() {
        return "The plan itself, to be opened again";
    }

    @Override
    public String type() {
        return "application/json";
    }

    @Override
    public byte[] make(ExportSource source) {
        return parcels.write(source.stored().plan()).getBytes(StandardCharsets.UTF_8);
    }
}
