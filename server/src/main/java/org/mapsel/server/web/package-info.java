/** What all of the API shares: problems, findings, and who may ask. */
@NullMarked
package org.mapsel.server.web;

import org.jspecify.annotations.NullMarked;
