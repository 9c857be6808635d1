/** Berthing: SOAP 1.1 and 1.2 through Spring Web Services. */
package org.mapsel.standins.berthing;
