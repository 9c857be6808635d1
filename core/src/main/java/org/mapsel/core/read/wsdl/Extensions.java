package org.mapsel.core.read.wsdl;

import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;

/** Elements of other namespaces in a description (WSDL 1.1, section 2.1.3). */
final class Extensions {

  private static final String REQUIRED = "required";

  private Extensions() {}

  /** Says what is passed over: a warning if the description calls it required, else a note. */
  static void passOver(XmlCursor cursor, Reading reading) {
    boolean required =
        cursor
            .attribute(WsdlReader.WSDL, REQUIRED)
            .map(v -> v.strip().equals("true") || v.strip().equals("1"))
            .orElse(false);
    Finding finding =
        required
            ? Finding.warning("WSDL_EXTENSION_REQUIRED", "name", cursor.name().toString())
            : Finding.note("WSDL_EXTENSION_PASSED_OVER", "name", cursor.name().toString());
    reading.findings().add(finding.at(cursor.place()));
  }
}
