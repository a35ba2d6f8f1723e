/** Own boards and parts: the fields a person fills in, and the catalogue file that they make. */
package izzet.core.author;
