/** Families of displays and how they are brought up; a new one is a class here. */
package izzet.core.code.displays;
