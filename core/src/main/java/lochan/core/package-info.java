/** The rules of a bass tournament and all its computation: plain Java, no interface, no clock, no I/O. */
package lochan.core;
