/** One class a rule; a new class here is found by itself. Each is stateless and says in its doc what passes and what fails. */
package izzet.core.check.rules;
