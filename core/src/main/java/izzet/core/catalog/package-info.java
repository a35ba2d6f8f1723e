/**
 * Boards and parts as their files describe them. Start from {@link izzet.core.catalog.CatalogReader}. May depend on quantity and
 * calc; never on a plan. Every value carries the key of its source.
 */
package izzet.core.catalog;
