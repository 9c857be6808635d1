/** Tides: heights of the sea around Saltmere, over HTTP and JSON, described by OpenAPI. */
package org.mapsel.standins.tides;
