/**
 * What there is to say about a description, a message or an app: where, what, how to mend it.
 *
 * <p>A finding is data; its sentences are made at the edge by {@link
 * org.mapsel.core.finding.FindingText} from one properties file per area.
 */
@NullMarked
package org.mapsel.core.finding;

import org.jspecify.annotations.NullMarked;
