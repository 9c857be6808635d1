/** Simulated services for demo and tests, on server libraries that are not ours. */
package org.mapsel.standins;
