/** How pages start: from an operation to a form, a button and what comes back. */
@NullMarked
package org.mapsel.core.page.start;

import org.jspecify.annotations.NullMarked;
