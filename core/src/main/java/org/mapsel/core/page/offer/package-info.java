/** What fits where: sources for slots, with what they give in the present sample. */
@NullMarked
package org.mapsel.core.page.offer;

import org.jspecify.annotations.NullMarked;
