/**
 * Apps, pages, parts, calls and reactions: data only. What can be done with them is in the packages
 * below.
 */
@NullMarked
package org.mapsel.core.page;

import org.jspecify.annotations.NullMarked;
