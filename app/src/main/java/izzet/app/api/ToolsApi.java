package izzet.app.api;

import izzet.app.drawing.Pictures;
import izzet.app.fault.NoSuchThing;
import izzet.core.draw.Asked;
import izzet.core.draw.PictureBytes;
import izzet.core.draw.Tool;
import izzet.core.draw.Tools;
import izzet.core.draw.tools.PictureTool;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Base64;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The drawing tools for programs. */
@RestController
class ToolsApi {

    @PostMapping("/api/tools/{tool}")
    ObjectNode answer(@PathVariable String tool, @RequestBody(required = false) byte[] body) throws IOException {
        Tool chosen = Tools.of(tool)
                .orElseThrow(() -> new NoSuchThing("There is no tool '" + tool + "'; there are "
                        + String.join(", ", Tools.all().stream().map(Tool::id).toList()) + "."));
        Asked asked = new Asked(read(body));
        if (chosen.id().equals("picture") && asked.has("image")) {
            byte[] file = file(asked.text("image", ""));
            return PictureTool.told(
                    PictureBytes.of(Pictures.read(new ByteArrayInputStream(file)), PictureTool.wish(asked)), asked);
        }
        return chosen.answer(asked);
    }

    private static byte[] file(String base64) {
        try {
            return Base64.getDecoder().decode(base64);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("image is a picture file in base64.", e);
        }
    }

    private static JsonNode read(byte[] body) {
        try {
            JsonNode json = JsonMapper.shared().readTree(body == null ? new byte[0] : body);
            if (json.isObject()) {
                return json;
            }
        } catch (JacksonException e) {
            // Told below.
        }
        throw new IllegalArgumentException("The body is a JSON object with what is asked.");
    }
}
