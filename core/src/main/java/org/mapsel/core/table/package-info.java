/**
 * Files of tables that are offered as a service: what is in them, and how it is described. Level:
 * beside reading descriptions.
 */
package org.mapsel.core.table;
