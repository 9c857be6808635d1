package org.mapsel.core.read.wsdl;

import java.util.Optional;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.Name;

/** Qualified names in the attributes of a WSDL document. */
record QualifiedNames(XmlCursor cursor, Findings findings, String target) {

  Optional<Name> attribute(String local) {
    return cursor.attribute(local).map(this::resolve);
  }

  private Name resolve(String written) {
    Optional<Name> resolved = cursor.resolve(written);
    if (resolved.isEmpty()) {
      findings.add(Finding.error("WSDL_PREFIX_UNKNOWN", "name", written).at(cursor.place()));
      return Name.of("", written);
    }
    return resolved.get();
  }
}
