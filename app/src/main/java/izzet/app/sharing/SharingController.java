package izzet.app.sharing;

import izzet.app.plan.PlanStore;
import izzet.app.store.PairedDeviceRow;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Devices that are paired and links that read, to look at, make and end; and what a phone needs. */
@Controller
@ConditionalOnProperty("izzet.lan")
class SharingController {

    private static final int MOST_PLANS = 200;

    private final Devices devices;
    private final PairingKey key;
    private final PairingTerminal terminal;
    private final PlanStore plans;

    SharingController(Devices devices, PairingKey key, PairingTerminal terminal, PlanStore plans) {
        this.devices = devices;
        this.key = key;
        this.terminal = terminal;
        this.plans = plans;
    }

    /**
     * A way in that is told once.
     *
     * @param path of the code, one unit a module
     * @param size of the code in modules
     */
    record Way(String heading, String words, List<String> addresses, String path, int size) {}

    /** @param plan name of the plan that a link reads; null for a device */
    record Row(PairedDeviceRow row, String plan, boolean own) {}

    @GetMapping("/sharing")
    String page(Authentication who, Model model) {
        return show(who, null, null, model);
    }

    /** A key for the next device; the one before is gone. */
    @PostMapping("/sharing/key")
    @ResponseStatus(HttpStatus.OK)
    String key(Authentication who, Model model) {
        String words = "The key works once, for " + PairingKey.LIFE.toMinutes() + " minutes: ";
        String made = key.fresh();
        return show(who, way("Pair a device", words + made, "/pair?key=" + made), null, model);
    }

    /** A link that reads one plan. */
    @PostMapping("/sharing/links")
    String link(
            @RequestParam long plan, @RequestParam(defaultValue = "") String name, Authentication who, Model model) {
        String made = devices.link(plan, name);
        String words = "Whoever has this link reads the plan, until it is ended or not used for "
                + Devices.LIFE.toDays() + " days. It is shown this once.";
        return show(who, way("A link to " + plans.get(plan).plan().name(), words, "/read/" + made), plan, model);
    }

    @PostMapping("/sharing/{id}/end")
    String end(@PathVariable long id) {
        devices.end(id);
        return "redirect:/sharing";
    }

    /** Plans with what is needed beside the bench. */
    @GetMapping("/phone")
    String phone(Model model) {
        model.addAttribute("plans", plans.names(MOST_PLANS));
        return "sharing/phone";
    }

    private Way way(String heading, String words, String path) {
        List<String> addresses =
                terminal.addresses().stream().map(a -> a + path).toList();
        QrCode code = new QrCode(addresses.get(0));
        return new Way(heading, words, addresses, code.path(), code.size());
    }

    private String show(Authentication who, Way way, Long chosen, Model model) {
        long own = who != null && who.getPrincipal() instanceof Devices.Device d ? d.id() : -1;
        List<PlanStore.Named> list = plans.names(MOST_PLANS);
        Map<Long, String> names = list.stream().collect(Collectors.toMap(PlanStore.Named::id, PlanStore.Named::name));
        model.addAttribute("way", way);
        model.addAttribute("chosen", chosen);
        model.addAttribute("plans", list);
        model.addAttribute(
                "devices",
                devices.all().stream()
                        .map(r -> new Row(
                                r,
                                r.planId() == null ? null : names.getOrDefault(r.planId(), "plan " + r.planId()),
                                r.id() == own))
                        .toList());
        model.addAttribute("life", Devices.LIFE.toDays());
        model.addAttribute("zone", ZoneId.systemDefault());
        return "sharing/page";
    }
}
