/** What can be refused, told so that both pages and programs understand; knows nothing of what refuses it. */
package izzet.app.fault;
