/** A list of the services here, as a harbour would publish it. */
package org.mapsel.standins.catalogue;
