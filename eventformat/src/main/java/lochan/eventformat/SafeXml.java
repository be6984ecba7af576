package lochan.eventformat;

import java.io.InputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Reads XML from outside: entities are not followed, and nothing outside the file is ever read. Who walks over it refuses document types. */
public final class SafeXml {

    private SafeXml() {}

    /** @throws XMLStreamException when it is no XML */
    public static XMLStreamReader reader(InputStream in) throws XMLStreamException {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> {
            throw new XMLStreamException("something outside the file");
        });
        return factory.createXMLStreamReader(in);
    }
}
