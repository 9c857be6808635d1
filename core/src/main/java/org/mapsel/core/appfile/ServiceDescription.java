package org.mapsel.core.appfile;

import java.util.List;
import org.mapsel.core.document.SourceText;

/**
 * A service in an app file: what it takes to find it again, or to read it again from the file
 * itself.
 *
 * @param service its id in the workspace that the file came from
 * @param name what people call it
 * @param source where its description was read from, without users and keys
 * @param edition the edition that the app uses, the hash of the documents
 * @param documents the description itself; none if the file only names it
 */
public record ServiceDescription(
    String service, String name, String source, String edition, List<SourceText> documents) {

  public ServiceDescription {
    documents = List.copyOf(documents);
  }
}
