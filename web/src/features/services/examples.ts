import type { Given } from './intake';

/** Something to begin with where nothing is there yet. */
export interface Example {
  words: string;
  what: string;
  given: () => Given;
}

const BERTHS = `Code;Basin;Length (m);Depth (m);Crane;Surveyed
N01;North;85;10,5;yes;11.02.2031
N02;North;140,5;9,75;yes;12.02.2031
M01;Mole;180;8,25;no;13.02.2031
M02;Mole;85;7,35;yes;14.02.2031
O01;Old;110;4,25;no;15.02.2031
`;

const ROSTER = `GET http://localhost:7301/roster?day=2031-05-14 HTTP/1.1
Accept: application/xml

HTTP/1.1 200 OK
Content-Type: application/xml

<roster day="2031-05-14">
  <watch from="06:00" until="14:00"><pilot>Ines Calder</pilot><boat>Grey Heron</boat></watch>
  <watch from="14:00" until="22:00"><pilot>Tam Orrin</pilot><boat>Salt Wren</boat></watch>
</roster>
`;

const BUOYS = `openapi: 3.1.0
info: {title: Buoys, version: "1"}
servers: [{url: "http://localhost:7301/buoys"}]
paths:
  /buoys:
    get:
      operationId: listBuoys
      summary: The buoys of a channel, the nearest first.
      parameters:
      - {name: channel, in: query, required: true, schema: {type: string, enum: [north, mole, lamp]}}
      - {name: litOnly, in: query, schema: {type: boolean}}
      responses:
        "200":
          description: All of them.
          content:
            application/json:
              schema:
                type: object
                properties:
                  buoys:
                    type: array
                    items:
                      type: object
                      required: [code]
                      properties:
                        code: {type: string, pattern: "B-[0-9]{3}"}
                        colour: {type: string, enum: [red, green, yellow]}
                        lit: {type: boolean}
                        depthMetres: {type: number}
                        servicedOn: {type: string, format: date}
`;

const text = (source: string) => (): Given => ({ source, files: [] });

export const EXAMPLES: Example[] = [
  {
    words: 'A spreadsheet of berths',
    what: 'Offer its rows as a service that answers here at once, and make a page that looks one up.',
    given: () => ({
      source: '',
      files: [new File([BERTHS], 'Berth book.csv', { type: 'text/csv' })],
    }),
  },
  {
    words: 'A request and its answer',
    what: 'A service that nobody described: its fields are found in what went over the wire.',
    given: text(ROSTER),
  },
  {
    words: 'The description of a service',
    what: 'Its operations with all their fields; nobody answers there, so let it be answered from here.',
    given: text(BUOYS),
  },
];
