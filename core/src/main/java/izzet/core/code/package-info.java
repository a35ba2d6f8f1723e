/**
 * A plan as a program that brings its displays up: constants, set-up, a test picture. What is sent is made once as {@link
 * izzet.core.code.Op}s; a language is one template under {@code /code}. Start from {@link izzet.core.code.BringUp}.
 */
package izzet.core.code;
