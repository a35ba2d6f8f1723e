package izzet.app.api;

import izzet.app.catalog.Shelf;
import izzet.core.find.QuickList;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What lies on the table, in words, as boards and parts of the shelf. */
@RestController
class QuickListApi {

    private final Shelf shelf;

    QuickListApi(Shelf shelf) {
        this.shelf = shelf;
    }

    /** The text is UTF-8, whatever its type says. */
    @PostMapping("/api/quick-list")
    Map<String, Object> read(@RequestBody(required = false) byte[] text) {
        QuickList.Reading reading =
                shelf.quickList().read(text == null ? "" : new String(text, StandardCharsets.UTF_8));
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("board", reading.board());
        told.put("boardSure", reading.boardSure());
        told.put("boardAlternatives", reading.boardAlternatives());
        told.put("parts", reading.parts().stream().map(QuickListApi::item).toList());
        told.put("unread", reading.unread());
        return told;
    }

    private static Map<String, Object> item(QuickList.Item item) {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("part", item.part());
        told.put("count", item.count());
        told.put("words", item.words());
        told.put("sure", item.sure());
        told.put("alternatives", item.alternatives());
        told.put("interface", item.interfaceId());
        told.put("address", item.address());
        told.put(
                "readAs",
                item.readAs().isEmpty() ? List.of() : List.of(item.readAs().split(", ")));
        return told;
    }
}
