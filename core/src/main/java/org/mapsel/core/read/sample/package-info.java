/**
 * Services that nobody describes: requests and answers that somebody has seen.
 *
 * <p>In: a curl command, HTTP messages as they went over the wire, or a HAR file. Out: HTTP
 * operations with types inferred from the values. Secrets in a sample are left out.
 */
@NullMarked
package org.mapsel.core.read.sample;

import org.jspecify.annotations.NullMarked;
