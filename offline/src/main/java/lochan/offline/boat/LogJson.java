package lochan.offline.boat;

import lochan.core.competition.Entry;
import lochan.core.competition.EntryCodec;
import lochan.offline.json.Fields;

/** Entries as the event file has them. The server has checked them; nothing is checked here again. */
final class LogJson {

    private LogJson() {}

    static Entry entry(Fields f) {
        return EntryCodec.read(f.needed("type", f::text), f);
    }

    static JsObject of(Entry entry) {
        JsObject o = new JsObject().put("type", EntryCodec.kind(entry).type());
        EntryCodec.write(entry, o.sink());
        return o;
    }
}
