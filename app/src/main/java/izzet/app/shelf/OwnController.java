package izzet.app.shelf;

import izzet.app.catalog.Shelf;
import izzet.app.drawing.HeaderDrawing;
import izzet.app.fault.NoSuchThing;
import izzet.core.author.Column;
import izzet.core.author.FieldGuide;
import izzet.core.author.Forms;
import izzet.core.author.ItemForm;
import izzet.core.author.LabelGuess;
import izzet.core.author.PastedRows;
import izzet.core.author.Sheet;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.node.ObjectNode;

/** Own boards and parts: the editor, files in and out, off the shelf and back. */
@Controller
class OwnController {

    private static final int EMPTY_ROWS = 3;
    private static final String PASTED = "pasted";

    private final Shelf shelf;
    private final CatalogReader reader = new CatalogReader();

    OwnController(Shelf shelf) {
        this.shelf = shelf;
    }

    /**
     * A table of the form with the rows it has.
     *
     * @param wide whether it has columns that are rarely needed
     * @param open whether they show
     */
    public record Table(Sheet sheet, List<Integer> rows, boolean pasteable, boolean wide, boolean open) {
        /** What the rarely needed columns are called together. */
        public String rare() {
            return String.join(
                    ", ",
                    sheet.columns().stream()
                            .filter(Column::more)
                            .map(Column::title)
                            .toList());
        }
    }

    @GetMapping("/shelf/own")
    String begin(
            @RequestParam(defaultValue = "part") String kind,
            @RequestParam(defaultValue = "") String from,
            Model model) {
        boolean board = isBoard(kind);
        Map<String, String> fields;
        if (from.isEmpty()) {
            fields = board ? emptyBoard() : emptyPart();
        } else {
            fields = form(board).fieldsOf(template(find(board, from)));
        }
        return page(model, board, "", from, fields, "");
    }

    @GetMapping("/shelf/{kind:parts|boards}/{id}/edit")
    String edit(@PathVariable String kind, @PathVariable String id, Model model) {
        boolean board = kind.equals("boards");
        CatalogItem item = find(board, id);
        if (!Shelf.isOwn(id)) {
            return "redirect:/shelf/own?kind=" + (board ? "board" : "part") + "&from=" + id;
        }
        return page(model, board, id, "", form(board).fieldsOf(CatalogWriter.tree(item)), "");
    }

    private CatalogItem find(boolean board, String id) {
        Optional<? extends CatalogItem> item =
                board ? shelf.catalog().board(id) : shelf.catalog().part(id);
        return item.orElseThrow(
                () -> new NoSuchThing("The shelf has no " + (board ? "board" : "part") + " '" + id + "'."));
    }

    private static boolean isBoard(String kind) {
        if (!Set.of("board", "part").contains(kind)) {
            throw new IllegalArgumentException("'" + kind + "' is neither board nor part.");
        }
        return kind.equals("board");
    }

    private static ItemForm form(boolean board) {
        return board ? Forms.BOARD : Forms.PART;
    }

    /** A copy to begin with: without what ties the original to others. */
    private static ObjectNode template(CatalogItem item) {
        ObjectNode tree = CatalogWriter.tree(item);
        tree.remove(List.of("kin", "tells"));
        String name = item.name() + ", own";
        tree.put("name", name);
        return tree;
    }

    private static Map<String, String> emptyPart() {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("/kind", "display");
        fields.put("/supply/source", "own");
        fields.put("/interfaces/0/id", "direct");
        fields.put("/interfaces/0/name", "direct");
        fields.put("/levels/0/@key", "logic");
        fields.put("/levels/0/vih", "0.7 supply");
        fields.put("/levels/0/vil", "0.3 supply");
        fields.put("/levels/0/absMax", "supply + 0.3");
        fields.put("/levels/0/source", "practice");
        fields.put("/sources/0/@key", "own");
        fields.put("/sources/0/@value", "Entered by the user");
        fields.put("/sources/1/@key", "practice");
        fields.put("/sources/1/@value", "Common practice for CMOS inputs; the part's data sheet decides");
        return fields;
    }

    private static Map<String, String> emptyBoard() {
        Map<String, String> fields = emptyPart();
        fields.keySet().removeIf(f -> f.startsWith("/interfaces") || f.startsWith("/supply"));
        fields.put("/kind", "microcontroller");
        fields.put("/levels/0/@key", "port");
        fields.put("/levels/0/voh", "supply - 0.5");
        fields.put("/levels/0/vol", "0.5");
        fields.put("/numbering/position", "place");
        fields.put("/numbering/label", "printed");
        fields.put("/numbering/chip", "chip");
        fields.put("/current/source", "own");
        String[][] rails = {{"GND", "ground", "0"}, {"3V3", "3.3 V", "3.3"}, {"5V", "5 V", "5"}};
        for (int i = 0; i < rails.length; i++) {
            fields.put("/rails/" + i + "/id", rails[i][0]);
            fields.put("/rails/" + i + "/label", rails[i][1]);
            fields.put("/rails/" + i + "/volts", rails[i][2]);
            fields.put("/rails/" + i + "/direction", "out");
            fields.put("/rails/" + i + "/source", "own");
        }
        return fields;
    }

    private String page(Model model, boolean board, String id, String from, Map<String, String> fields, String focus) {
        ItemForm form = form(board);
        ItemForm.Reading reading = form.read(fields, 1);
        List<ItemForm.Problem> problems = problems(board, id, fields, reading);
        Map<String, String> byField = new HashMap<>();
        problems.forEach(p -> byField.putIfAbsent(p.field(), p.message()));
        List<Table> tables = new ArrayList<>();
        for (Sheet sheet : form.sheets()) {
            TreeSet<Integer> rows = new TreeSet<>(ItemForm.rows(fields, sheet));
            boolean main = sheet.pointer().equals("/lines") || sheet.pointer().equals("/pins");
            int next = rows.isEmpty() ? 0 : rows.last() + 1;
            int empty = (main ? EMPTY_ROWS : 1) + (focus.equals(sheet.pointer()) && !main ? 1 : 0);
            for (int i = 0; i < empty && rows.size() < ItemForm.MOST_ROWS; i++) {
                rows.add(next + i);
            }
            tables.add(new Table(
                    sheet,
                    List.copyOf(rows),
                    main,
                    sheet.columns().stream().anyMatch(Column::more),
                    sheet.columns().stream().filter(Column::more).anyMatch(c -> rows.stream()
                            .anyMatch(r -> byField.containsKey(sheet.field(r, c))))));
        }
        model.addAttribute("title", id.isEmpty() ? "Own " + (board ? "board" : "part") : fields.get("/name"));
        model.addAttribute("board", board);
        model.addAttribute("kind", board ? "board" : "part");
        model.addAttribute("id", id);
        model.addAttribute("from", from);
        model.addAttribute("form", form);
        model.addAttribute("filled", filled(form, fields, byField));
        model.addAttribute("tables", tables);
        model.addAttribute("fields", fields);
        model.addAttribute("problems", problems);
        model.addAttribute("wrong", byField);
        model.addAttribute("drawing", HeaderDrawing.of(reading.tree(), board));
        model.addAttribute("focus", focus);
        model.addAttribute("where", new Where(form));
        return "shelf/own";
    }

    /** Groups that show from the start: the first, and those in which something stands or is wrong. */
    private static Set<String> filled(ItemForm form, Map<String, String> fields, Map<String, String> wrong) {
        Set<String> filled = new TreeSet<>();
        form.groups().forEach((title, columns) -> {
            boolean first = filled.isEmpty();
            if (first
                    || columns.stream()
                            .map(c -> "/" + c.path())
                            .anyMatch(f -> fields.containsKey(f) || wrong.containsKey(f))) {
                filled.add(title);
            }
        });
        return filled;
    }

    /** Names of fields for people. */
    public record Where(ItemForm form) {
        public String of(String field) {
            for (var group : form.groups().entrySet()) {
                for (Column column : group.getValue()) {
                    if (field.equals("/" + column.path())) {
                        return group.getKey() + ", " + column.title();
                    }
                }
            }
            for (Sheet sheet : form.sheets()) {
                if (field.startsWith(sheet.pointer() + "/")) {
                    String rest = field.substring(sheet.pointer().length() + 1);
                    int slash = rest.indexOf('/');
                    String path = slash < 0 ? "" : rest.substring(slash + 1);
                    String title = sheet.columns().stream()
                            .filter(c -> c.path().equals(path))
                            .map(c -> ", " + c.title())
                            .findFirst()
                            .orElse("");
                    String row = slash < 0 ? rest : rest.substring(0, slash);
                    return sheet.title() + ", row " + (row.matches("\\d{1,6}") ? Integer.parseInt(row) + 1 : row)
                            + title;
                }
                if (field.equals(sheet.pointer())) {
                    return sheet.title();
                }
            }
            return field.equals(ItemForm.OTHER) ? "Everything else" : "The whole";
        }
    }

    private List<ItemForm.Problem> problems(
            boolean board, String id, Map<String, String> fields, ItemForm.Reading reading) {
        String name = fields.getOrDefault("/name", "");
        reading.tree().put("id", id.isEmpty() ? shelf.freeId(board, name.isBlank() ? "item" : name) : id);
        return form(board)
                .problems(reading, board ? reader.faultsOfBoard(reading.tree()) : reader.faultsOfPart(reading.tree()));
    }

    private static Map<String, String> fields(Map<String, String> all) {
        Map<String, String> fields = new LinkedHashMap<>();
        all.forEach((name, text) -> {
            if (name.startsWith("/") && !text.isBlank()) {
                fields.put(name, text);
            }
        });
        return fields;
    }

    /**
     * Every button of the editor: save, add rows, take pasted rows, guess from labels. Nothing is saved while something is
     * wrong.
     *
     * @param id of the own item that is changed; empty for a new one
     */
    @PostMapping("/shelf/own")
    String change(
            @RequestParam String kind,
            @RequestParam(defaultValue = "") String id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(name = "do", defaultValue = "save") String what,
            @RequestParam Map<String, String> all,
            Model model,
            jakarta.servlet.http.HttpServletResponse response) {
        boolean board = isBoard(kind);
        if (!id.isEmpty()) {
            find(board, id);
        }
        Map<String, String> fields = fields(all);
        if (what.startsWith("paste:") || what.startsWith("guess:")) {
            Sheet sheet = sheet(board, what.substring(6));
            model.addAttribute(
                    "told",
                    what.startsWith("paste:")
                            ? paste(fields, sheet, all.getOrDefault(PASTED, ""))
                            : guess(fields, sheet));
            return page(model, board, id, from, fields, sheet.pointer());
        }
        if (what.startsWith("more:")) {
            return page(
                    model,
                    board,
                    id,
                    from,
                    fields,
                    sheet(board, what.substring(5)).pointer());
        }
        ItemForm.Reading reading = form(board).read(fields, 1);
        if (!problems(board, id, fields, reading).isEmpty()) {
            response.setStatus(422);
            return page(model, board, id, from, fields, "");
        }
        String text = CatalogWriter.text(reading.tree());
        CatalogItem saved = shelf.put(board ? reader.board("form", text) : reader.part("form", text));
        return "redirect:/shelf/" + kind + "s/" + saved.id();
    }

    private static Sheet sheet(boolean board, String pointer) {
        return form(board).sheets().stream()
                .filter(s -> s.pointer().equals(pointer))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no table '" + pointer + "'."));
    }

    private static String paste(Map<String, String> fields, Sheet sheet, String text) {
        PastedRows pasted = PastedRows.of(text, sheet);
        Set<Integer> rows = ItemForm.rows(fields, sheet);
        int next = rows.isEmpty() ? 0 : new TreeSet<>(rows).last() + 1;
        for (Map<String, String> row : pasted.rows()) {
            for (var cell : LabelGuess.complete(row, sheet).entrySet()) {
                fields.put(sheet.pointer() + "/" + next + "/" + cell.getKey(), cell.getValue());
            }
            next++;
        }
        return pasted.rows().size() + " rows taken."
                + (pasted.ignored().isEmpty() ? "" : " No column for: " + String.join(", ", pasted.ignored()) + ".");
    }

    private static String guess(Map<String, String> fields, Sheet sheet) {
        int filled = 0;
        for (int row : ItemForm.rows(fields, sheet)) {
            Map<String, String> texts = new LinkedHashMap<>();
            for (Column column : sheet.columns()) {
                String text = fields.get(sheet.field(row, column));
                if (text != null) {
                    texts.put(column.path(), text);
                }
            }
            for (var cell : LabelGuess.complete(texts, sheet).entrySet()) {
                if (fields.put(sheet.pointer() + "/" + row + "/" + cell.getKey(), cell.getValue()) == null) {
                    filled++;
                }
            }
        }
        return filled + " fields filled from the labels, as is common. Look them over.";
    }

    /** The verdict alone, while typing. */
    @PostMapping("/shelf/own/check")
    String check(
            @RequestParam String kind,
            @RequestParam(defaultValue = "") String id,
            @RequestParam Map<String, String> all,
            Model model) {
        page(model, isBoard(kind), id, "", fields(all), "");
        return "shelf/own :: verdict";
    }

    /** What the file of a part or board may say, for who writes one by hand. */
    @GetMapping("/shelf/fields/{kind:part|board}")
    String fields(@PathVariable String kind, Model model) {
        model.addAttribute("title", "What the file of a " + kind + " says");
        model.addAttribute("kind", kind);
        model.addAttribute("other", isBoard(kind) ? "part" : "board");
        model.addAttribute("sections", (isBoard(kind) ? FieldGuide.BOARD : FieldGuide.PART).sections());
        return "shelf/fields";
    }

    @GetMapping("/shelf/{kind:parts|boards}/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable String kind, @PathVariable String id) {
        String text = CatalogWriter.text(find(kind.equals("boards"), id));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(id + ".json")
                                .build()
                                .toString())
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    /** Takes a board's or part's file: as a new own item, or as the next version of the one with its id. */
    @PostMapping("/shelf/import")
    String take(@RequestParam MultipartFile file) throws IOException {
        String name = Optional.ofNullable(file.getOriginalFilename())
                .filter(n -> !n.isBlank())
                .orElse("the file");
        if (file.getSize() > Shelf.MOST_CHARS) {
            throw new IllegalArgumentException(name + " has " + file.getSize() + " bytes; " + Shelf.MOST_CHARS
                    + " are the most for a board or part.");
        }
        String text = new String(file.getBytes(), StandardCharsets.UTF_8);
        CatalogItem item = shelf.read(name, text);
        CatalogItem saved = shelf.put(item);
        return "redirect:/shelf/" + (saved instanceof Board ? "boards/" : "parts/") + saved.id();
    }

    @PostMapping("/shelf/{kind:parts|boards}/{id}/off")
    String off(@PathVariable String kind, @PathVariable String id) {
        shelf.offer(kind.equals("boards"), id, false);
        return "redirect:/shelf";
    }

    @PostMapping("/shelf/{kind:parts|boards}/{id}/on")
    String on(@PathVariable String kind, @PathVariable String id) {
        shelf.offer(kind.equals("boards"), id, true);
        return "redirect:/shelf/" + kind + "/" + id;
    }
}
