/**
 * From lines to what was said on them, whatever the bus. Start from {@link izzet.core.decode.Protocol}: each is a package below this
 * one. May depend on capture; knows no plan and no part.
 */
package izzet.core.decode;
