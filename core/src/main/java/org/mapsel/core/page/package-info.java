/**
 * Apps, pages, parts and reactions as data; what an event does to a page; how pages start and
 * change.
 *
 * <p>Pure: calls to make are effects that somebody else runs and hands back as the next event.
 */
@NullMarked
package org.mapsel.core.page;

import org.jspecify.annotations.NullMarked;
