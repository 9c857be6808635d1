package org.mapsel.core.declare;

import org.mapsel.core.ref.Name;

/** A name together with the kind of thing that it refers to. */
record Symbol(Renaming.Kind kind, Name name) {}
