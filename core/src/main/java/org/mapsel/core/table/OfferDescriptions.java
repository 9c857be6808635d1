package org.mapsel.core.table;

import org.mapsel.core.document.SourceText;

/** The descriptions of tables that are offered, one for each protocol. */
public final class OfferDescriptions {

  /** Rows that a list hands out at once at most. */
  public static final int PAGE = 1_000;

  /** Parameters of a list that are no columns. */
  public static final String ORDER = "orderBy";

  public static final String SKIP = "skip";
  public static final String TOP = "top";

  /** Members of what a list answers. */
  public static final String ROWS = "rows";

  public static final String TOTAL = "total";

  private OfferDescriptions() {}

  /** The path of a table's rows over HTTP, below the address of that: {@code /berths}. */
  public static String path(OfferedTable table) {
    return "/" + Names.lower(table.several(), "rows");
  }

  /** WSDL 1.1 with a port for SOAP 1.1 and one for SOAP 1.2, both below an address. */
  public static SourceText wsdl(TableOffer offer, String base) {
    return new SourceText(base + "/soap?wsdl", new WsdlOfOffer(offer, base).write());
  }

  /** CSDL of OData 4.01 in XML. */
  public static SourceText csdl(TableOffer offer, String base) {
    return new SourceText(base + "/odata/$metadata", CsdlOfOffer.xml(offer));
  }

  /** CSDL of OData 4.01 in JSON. */
  public static SourceText csdlJson(TableOffer offer, String base) {
    return new SourceText(base + "/odata/$metadata?$format=json", CsdlOfOffer.json(offer));
  }

  /**
   * OpenAPI 3.1.
   *
   * @param keyed whether clients must name a key
   */
  public static SourceText openApi(TableOffer offer, String base, boolean keyed) {
    return new SourceText(
        base + "/openapi.json", new OpenApiOfOffer(offer, base + "/http", keyed).write());
  }
}
