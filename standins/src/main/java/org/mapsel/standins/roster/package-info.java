/** Pilot roster: who is on duty, as plain XML over HTTP; nobody ever described it. */
package org.mapsel.standins.roster;
