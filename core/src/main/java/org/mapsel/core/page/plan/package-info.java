/**
 * A page made ready to be drawn and used: every mapping checked and prepared, every label and
 * format resolved. Made when the page is edited; drawing and running only follow it.
 */
@NullMarked
package org.mapsel.core.page.plan;

import org.jspecify.annotations.NullMarked;
