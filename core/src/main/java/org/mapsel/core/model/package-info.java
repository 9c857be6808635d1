/**
 * What all pages of an app share: the record types they use, with what people decided of their
 * fields, derived fields and value lists; and how a field is called and looks, resolved.
 */
@NullMarked
package org.mapsel.core.model;

import org.jspecify.annotations.NullMarked;
