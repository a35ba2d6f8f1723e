package izzet.core.draw.tools;

import izzet.core.draw.Asked;
import izzet.core.draw.Colours;
import izzet.core.draw.Tool;
import java.util.Locale;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A colour in the forms that panels take, with what each loses. */
public final class ColourTool implements Tool {

    @Override
    public String id() {
        return "colour";
    }

    @Override
    public String name() {
        return "Colours";
    }

    @Override
    public String purpose() {
        return "A colour as 24, 18, 16 and 12 bits and as grey, the bytes in both orders, and what each form loses.";
    }

    @Override
    public ObjectNode answer(Asked asked) {
        int colour = Colours.read(asked.text("colour", "#2F6B9A"));
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        answer.put("colour", Colours.hex(colour));
        answer.put("name", Colours.nearestName(colour));
        ArrayNode forms = answer.putArray("forms");
        for (Colours.Form form : Colours.Form.values()) {
            int value = form.value(colour);
            int back = form.back(value);
            ObjectNode one = forms.addObject();
            one.put("form", form.words());
            one.put("value", String.format(Locale.ROOT, "0x%0" + (form.bits() + 3) / 4 + "X", value));
            one.put("bytes", form.bytes(colour, false));
            one.put("swapped", form.bytes(colour, true));
            one.put("shown", Colours.hex(back));
            one.put("error", Colours.worst(colour, back));
        }
        return answer;
    }
}
