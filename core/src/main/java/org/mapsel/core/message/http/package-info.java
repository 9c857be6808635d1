/**
 * Operations that are a method on a path: parameters in the address and the headers, bodies in any
 * common media type, answers chosen by status.
 */
@NullMarked
package org.mapsel.core.message.http;

import org.jspecify.annotations.NullMarked;
