package izzet.app.plan;

import izzet.app.fault.TooLarge;
import izzet.app.files.FileNames;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** What is done with a plan as a whole. */
@Controller
class PlansController {

    private static final int LONGEST_ADDRESS = 400;
    private static final Pattern PAGE = Pattern.compile("/plans/\\d+/[A-Za-z0-9/._~-]*");

    private final PlanStore plans;
    private final Parcels parcels;

    PlansController(PlanStore plans, Parcels parcels) {
        this.plans = plans;
        this.parcels = parcels;
    }

    @PostMapping("/plans")
    String create(@RequestParam String name, @RequestParam String board) {
        return "redirect:/plans/" + plans.create(Plan.empty(name.strip(), board), "started the plan") + "/parts";
    }

    @PostMapping("/plans/import")
    String importDocument(@RequestParam MultipartFile file) throws IOException {
        if (file.getSize() > PlanDocument.MAX_CHARS) {
            throw new TooLarge("The file has " + file.getSize() + " bytes; a plan document has "
                    + PlanDocument.MAX_CHARS + " at most.");
        }
        Plan plan = parcels.open(new String(file.getBytes(), StandardCharsets.UTF_8));
        return "redirect:/plans/" + plans.create(plan, "imported") + "/pins";
    }

    @GetMapping("/plans/{id}")
    String open(@PathVariable long id) {
        return "redirect:/plans/" + plans.get(id).id() + "/pins";
    }

    @GetMapping("/plans/{id}/export")
    ResponseEntity<String> export(@PathVariable long id) {
        Plan plan = plans.get(id).plan();
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, FileNames.attachment(plan.name(), "plan", ".izzet-plan.json"))
                .body(parcels.write(plan));
    }

    @PostMapping("/plans/{id}/undo")
    String undo(@PathVariable long id, @RequestParam long version, @RequestParam String here) {
        plans.undo(id, version);
        return back(here);
    }

    @PostMapping("/plans/{id}/redo")
    String redo(@PathVariable long id, @RequestParam long version, @RequestParam String here) {
        plans.redo(id, version);
        return back(here);
    }

    @PostMapping("/plans/{id}/duplicate")
    String duplicate(@PathVariable long id) {
        return "redirect:/plans/" + plans.duplicate(id) + "/parts";
    }

    @PostMapping("/plans/{id}/delete")
    String delete(@PathVariable long id, @RequestParam long version) {
        plans.delete(id, version);
        return "redirect:/?deleted=" + id;
    }

    @PostMapping("/plans/{id}/restore")
    String restore(@PathVariable long id) {
        plans.restore(id);
        return "redirect:/plans/" + id + "/parts";
    }

    /** Only pages of this application are returned to; from elsewhere, or from what no page sends, to the plans. */
    static String back(String here) {
        boolean page = here.length() <= LONGEST_ADDRESS && PAGE.matcher(here).matches() && !here.contains("..");
        return page ? "redirect:" + here : "redirect:/";
    }
}
