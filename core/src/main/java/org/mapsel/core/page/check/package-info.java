/**
 * Finds what is wrong with an app: one small class a rule, each finding with the place it is about
 * and, where one is known, a repair.
 */
@NullMarked
package org.mapsel.core.page.check;

import org.jspecify.annotations.NullMarked;
