package org.mapsel.core.read.wsdl;

import java.util.Optional;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.xsd.Standards;
import org.mapsel.core.ref.Name;

/** Qualified names in the attributes of a WSDL document. */
record QualifiedNames(XmlCursor cursor, Reading reading) {

  Optional<Name> attribute(String local) {
    return cursor.attribute(local).map(this::resolve);
  }

  Name resolve(String written) {
    Optional<Name> resolved = cursor.resolve(written);
    if (resolved.isEmpty()) {
      reading
          .findings()
          .add(Finding.error("WSDL_PREFIX_UNKNOWN", "name", written).at(cursor.place()));
      return Name.of("", written);
    }
    Standards.mention(resolved.get().namespace(), reading);
    return resolved.get();
  }
}
