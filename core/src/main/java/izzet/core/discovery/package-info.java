/** Finding files and classes in folders of the class path. Start from {@link izzet.core.discovery.Discovery}. Depends on nothing. */
package izzet.core.discovery;
