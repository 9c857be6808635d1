package org.mapsel.bench;

import java.nio.charset.StandardCharsets;
import tools.jackson.core.JsonParser;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;

/** Made descriptions and answers in JSON, and metadata of entities, of a wanted size. */
final class DataInputs {

  private static final JsonFactory JSON = new JsonFactory();

  private DataInputs() {}

  /** Every token of a JSON document, and nothing else. */
  static int barePass(byte[] json) {
    int tokens = 0;
    try (JsonParser parser = JSON.createParser(ObjectReadContext.empty(), json)) {
      while (parser.nextToken() != null) {
        tokens++;
      }
    }
    return tokens;
  }

  /** Operations that read and change records of as many types, each pointing to the next. */
  static byte[] openApi(int types) {
    StringBuilder out = new StringBuilder();
    out.append("{\"openapi\":\"3.0.3\",\"info\":{\"title\":\"Large\",\"version\":\"1\"},");
    out.append("\"servers\":[{\"url\":\"https://large.example\"}],\"paths\":{");
    for (int i = 0; i < types; i++) {
      out.append(i == 0 ? "" : ",")
          .append(
              """
              "/things%1$d/{id}":{"get":{"operationId":"read%1$d","summary":"Reads a thing of kind %1$d.",
              "parameters":[{"name":"id","in":"path","required":true,"schema":{"type":"string"}},
              {"name":"expand","in":"query","description":"What to bring along.","schema":{"type":"array","items":{"type":"string","enum":["a","b"]}}}],
              "responses":{"200":{"description":"The thing.","content":{"application/json":{"schema":{"$ref":"#/components/schemas/Thing%1$d"}}}},
              "404":{"description":"There is none."}}},
              "put":{"operationId":"change%1$d","requestBody":{"required":true,"content":{"application/json":{"schema":{"$ref":"#/components/schemas/Thing%1$d"}}}},
              "responses":{"204":{"description":"Done."}}}}"""
                  .formatted(i));
    }
    out.append("},\"components\":{\"schemas\":{");
    for (int i = 0; i < types; i++) {
      out.append(i == 0 ? "" : ",")
          .append("\"Thing")
          .append(i)
          .append("\":{\"type\":\"object\",\"required\":[\"field0\"],\"properties\":{");
      for (int j = 0; j < 12; j++) {
        out.append(j == 0 ? "" : ",")
            .append("\"field")
            .append(j)
            .append("\":{\"type\":\"")
            .append(j % 3 == 0 ? "integer" : "string")
            .append("\",\"description\":\"What field ")
            .append(j)
            .append(" holds.\"}");
      }
      out.append(",\"next\":{\"$ref\":\"#/components/schemas/Thing")
          .append((i + 1) % types)
          .append("\"}}}");
    }
    return out.append("}}}").toString().getBytes(StandardCharsets.UTF_8);
  }

  /** Entity types with a set for each, each with a way to the next. */
  static byte[] metadata(int types) {
    StringBuilder out = new StringBuilder();
    out.append(
        "<edmx:Edmx Version=\"4.0\" xmlns:edmx=\"http://docs.oasis-open.org/odata/ns/edmx\">");
    out.append("<edmx:DataServices><Schema Namespace=\"large\" ");
    out.append("xmlns=\"http://docs.oasis-open.org/odata/ns/edm\">");
    for (int i = 0; i < types; i++) {
      out.append("<EntityType Name=\"Thing%d\"><Key><PropertyRef Name=\"Id\"/></Key>".formatted(i));
      out.append("<Property Name=\"Id\" Type=\"Edm.Int32\" Nullable=\"false\"/>");
      for (int j = 0; j < 12; j++) {
        out.append(
            "<Property Name=\"Field%d\" Type=\"%s\" MaxLength=\"40\"/>"
                .formatted(j, j % 3 == 0 ? "Edm.Decimal" : "Edm.String"));
      }
      out.append(
          "<NavigationProperty Name=\"Next\" Type=\"Collection(large.Thing%d)\"/></EntityType>"
              .formatted((i + 1) % types));
    }
    out.append("<EntityContainer Name=\"Large\">");
    for (int i = 0; i < types; i++) {
      out.append("<EntitySet Name=\"Things%1$d\" EntityType=\"large.Thing%1$d\"/>".formatted(i));
    }
    return out.append("</EntityContainer></Schema></edmx:DataServices></edmx:Edmx>")
        .toString()
        .getBytes(StandardCharsets.UTF_8);
  }

  static final String ROWS_DESCRIPTION =
      """
      {"openapi":"3.0.3","info":{"title":"Rows","version":"1"},"paths":{"/rows":{"get":{"operationId":"rows",
      "responses":{"200":{"description":"All.","content":{"application/json":{"schema":{"type":"array","items":{
      "type":"object","properties":{%s}}}}}}}}}}}
      """;

  static byte[] rowsDescription() {
    StringBuilder fields = new StringBuilder();
    for (int i = 0; i < 20; i++) {
      String type =
          switch (i % 5) {
            case 1 -> "\"integer\"";
            case 2 -> "\"number\"";
            case 3 -> "\"string\",\"format\":\"date-time\"";
            default -> "\"string\"";
          };
      fields.append(i == 0 ? "" : ",").append("\"field%d\":{\"type\":%s}".formatted(i, type));
    }
    return ROWS_DESCRIPTION.formatted(fields).getBytes(StandardCharsets.UTF_8);
  }

  static byte[] rows(int rows) {
    StringBuilder out = new StringBuilder("[");
    for (int row = 0; row < rows; row++) {
      out.append(row == 0 ? "{" : ",{");
      for (int i = 0; i < 20; i++) {
        out.append(i == 0 ? "" : ",").append("\"field").append(i).append("\":");
        switch (i % 5) {
          case 1 -> out.append(row * 7 + i);
          case 2 -> out.append(row).append('.').append(10 + i);
          case 3 -> out.append("\"2031-05-14T06:40:").append(10 + row % 50).append("Z\"");
          default -> out.append("\"Text ").append(row).append(" of field ").append(i).append('"');
        }
      }
      out.append('}');
    }
    return out.append(']').toString().getBytes(StandardCharsets.UTF_8);
  }
}
