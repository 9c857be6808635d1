/**
 * The stored form of an app, which is the app file too: JSON with the number of its format. Older
 * formats are brought up to date before they are read. The schema is docs/formats/app.schema.json.
 */
@NullMarked
package org.mapsel.core.appfile;

import org.jspecify.annotations.NullMarked;
