package org.mapsel.core.read.xsd;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.ref.Name;

/** The names of one schema. A large one uses the same few all over. */
final class KnownNames {

  /** A reference as written, and what it meant. */
  private record Reference(String prefix, Name name) {}

  private final Map<String, Name> locals = new HashMap<>();
  private final Map<String, Reference> references = new HashMap<>();

  Name local(String namespace, String local) {
    Name known = locals.get(local);
    if (known == null) {
      known = Name.of(namespace, local.strip());
      locals.put(local, known);
    }
    return known;
  }

  /** What a reference meant before, as long as its prefix still stands for the same. */
  @Nullable Name qualified(String written, XmlCursor cursor) {
    Reference known = references.get(written);
    return known != null && known.name.namespace().equals(cursor.namespaceOf(known.prefix))
        ? known.name
        : null;
  }

  void keep(String written, Name name) {
    int colon = written.indexOf(':');
    references.put(
        written, new Reference(colon < 0 ? "" : written.substring(0, colon).strip(), name));
  }
}
