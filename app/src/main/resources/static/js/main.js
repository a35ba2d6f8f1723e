// What only the browser can do. Everything works as plain pages and forms, too.
import Alpine from "../vendor/alpine/alpine-csp.js";
import drop from "./drop.js";
import glass from "./glass.js";
import header from "./header.js";
import item from "./item.js";
import lines from "./lines.js";
import menu from "./menu.js";
import picture from "./picture.js";
import record from "./record.js";
import shell from "./shell.js";
import weave from "./weave.js";
import wiring from "./wiring.js";

document.documentElement.classList.add("js");
Alpine.store("busy", { words: "" });
Alpine.data("drop", drop);
Alpine.data("glass", glass);
Alpine.data("header", header);
Alpine.data("item", item);
Alpine.data("lines", lines);
Alpine.data("menu", menu);
Alpine.data("picture", picture);
Alpine.data("record", record);
Alpine.data("shell", shell);
Alpine.data("weave", weave);
Alpine.data("wiring", wiring);
Alpine.start();
