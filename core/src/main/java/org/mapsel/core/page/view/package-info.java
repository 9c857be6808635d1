/**
 * What is drawn: a page and its state resolved into words, choices and formatted values. The front
 * end decides nothing but looks.
 */
@NullMarked
package org.mapsel.core.page.view;

import org.jspecify.annotations.NullMarked;
