/** What each kind of part can do; one class a kind. */
@NullMarked
package org.mapsel.core.page.kind;

import org.jspecify.annotations.NullMarked;
