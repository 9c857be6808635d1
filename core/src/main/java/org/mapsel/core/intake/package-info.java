/**
 * The door for descriptions: recognises the format, reads it, links it.
 *
 * <p>In: a source text and a resolver for the documents it names. Out: the service, every document
 * that was read, and all findings.
 */
@NullMarked
package org.mapsel.core.intake;

import org.jspecify.annotations.NullMarked;
