/** What is stored: entities, their repositories, and the streams of blocks. Plain rows; what they mean is known by those who use them. */
package izzet.app.store;
