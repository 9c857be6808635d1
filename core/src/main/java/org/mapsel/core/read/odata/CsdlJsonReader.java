package org.mapsel.core.read.odata;

import org.mapsel.core.document.SourceText;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;

/** Metadata as JSON (OData CSDL JSON 4.01). */
public final class CsdlJsonReader implements DescriptionReader {

  @Override
  public boolean recognises(String head) {
    return head.stripLeading().startsWith("{") && head.contains("\"$Version\"");
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    Csdl csdl = new Csdl();
    CsdlJson.read(source, csdl, reading);
    ReferencedDocuments.read(csdl, reading, other -> CsdlJson.read(other, csdl, reading));
    EntityModels.declare(csdl, source.address(), reading);
    return new Format("OData", csdl.version);
  }
}
