/** Rules of this group, one class each; a new class here is found by itself. Each is stateless and says what passes and what fails. */
package izzet.core.check.rules.pins;
