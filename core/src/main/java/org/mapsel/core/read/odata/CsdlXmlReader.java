package org.mapsel.core.read.odata;

import java.util.regex.Pattern;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;

/** Metadata as XML: CSDL 2.0 and 3.0, OData CSDL XML 4.0 and 4.01. */
public final class CsdlXmlReader implements DescriptionReader {

  private static final Pattern ROOT =
      Pattern.compile("<([A-Za-z_][\\w.-]*:)?(Edmx|Schema)[\\s>][^>]*(edmx|/ado/|/edm)");

  @Override
  public boolean recognises(String head) {
    return ROOT.matcher(head).find();
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    Csdl csdl = new Csdl();
    document(source, csdl, reading);
    ReferencedDocuments.read(csdl, reading, other -> document(other, csdl, reading));
    EntityModels.declare(csdl, source.address(), reading);
    return new Format("OData", csdl.version);
  }

  private static void document(SourceText source, Csdl csdl, Reading reading) {
    if (CsdlJson.isJson(source)) {
      CsdlJson.read(source, csdl, reading);
      return;
    }
    try (XmlCursor cursor = XmlCursor.open(source, Limits.DESCRIPTION)) {
      cursor.oddities().forEach(reading.findings()::add);
      new CsdlXml(cursor, csdl).document();
      cursor.finish();
    } catch (DocumentException e) {
      reading.findings().add(e.finding());
    }
  }
}
