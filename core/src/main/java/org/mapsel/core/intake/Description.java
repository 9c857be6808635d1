package org.mapsel.core.intake;

import java.util.List;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.read.Format;
import org.mapsel.core.service.Service;

/** What came out of reading a description: the service and every document it took. */
public record Description(Format format, Service service, List<SourceText> documents)
    implements Found {

  public Description {
    documents = List.copyOf(documents);
  }
}
