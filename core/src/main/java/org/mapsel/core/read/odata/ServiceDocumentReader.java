package org.mapsel.core.read.odata;

import java.util.regex.Pattern;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;

/**
 * The list of what a service offers (OData JSON format 4.01, section 5; 2.0 in Atom), which people
 * find at its address: the metadata that it belongs to is read instead.
 */
public final class ServiceDocumentReader implements DescriptionReader {

  private static final Pattern JSON =
      Pattern.compile("^\\s*\\{\\s*\"@(odata\\.)?context\"\\s*:\\s*\"[^\"]*\\$metadata\"");
  private static final Pattern ATOM =
      Pattern.compile("<([A-Za-z]+:)?service\\s[^>]*http://www\\.w3\\.org/2007/app");

  @Override
  public boolean recognises(String head) {
    return JSON.matcher(head).find() || ATOM.matcher(head).find();
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    String root = source.address().replaceFirst("[?#].*", "").replaceFirst("/?$", "/");
    return reading
        .open(root + "$metadata", Place.in(source.address()), "metadata")
        .map(metadata -> new CsdlXmlReader().read(metadata, reading))
        .orElse(new Format("OData", ""));
  }
}
