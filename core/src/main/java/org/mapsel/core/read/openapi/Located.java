package org.mapsel.core.read.openapi;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.ref.Place;

/** A node and the document it stands in, which is where its references start. */
record Located(DataNode node, String document) {

  Optional<Located> find(String member) {
    return node.find(member).map(this::beside);
  }

  Located beside(DataNode other) {
    return new Located(other, document);
  }

  List<Located> items(String member) {
    return node.items(member).stream().map(this::beside).toList();
  }

  Place place() {
    return node.place(document);
  }
}
