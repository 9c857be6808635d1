/**
 * Documents that list services instead of describing one: linksets and web pages with links.
 *
 * <p>In: such a document. Out: the descriptions that it leads to, none of which is fetched.
 */
@NullMarked
package org.mapsel.core.read.catalogue;

import org.jspecify.annotations.NullMarked;
