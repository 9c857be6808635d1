/**
 * Tables that are offered as services: files that are looked at, rows, clients, and the answers.
 */
package org.mapsel.server.tables;
