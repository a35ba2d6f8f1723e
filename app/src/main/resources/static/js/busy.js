// The one line at the foot of the page that says what goes on.
import Alpine from "../vendor/alpine/alpine-csp.js";

export const say = (words) => { Alpine.store("busy").words = words; };
