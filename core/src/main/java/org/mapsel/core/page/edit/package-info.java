/**
 * Edits: each a record that says what is changed, and changes it. An edit that points at something
 * that is not there changes nothing.
 */
@NullMarked
package org.mapsel.core.page.edit;

import org.jspecify.annotations.NullMarked;
