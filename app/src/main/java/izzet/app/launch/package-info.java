/**
 * Makes the jars of the launcher ready for a fast start, once after each build. In Java 17 every first use of a lambda, of a text put together
 * and of a record's equality makes code at run time, which a class-data archive keeps only in part; a thousand such places run before the first
 * page. Here the classes that a start loads get that code beforehand. What they do stays the same.
 */
package izzet.app.launch;
