package markturn.formats;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import markturn.fieldbook.wire.Fault;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.ErrorHandler;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;

/** XML taken strictly: nothing outside the file is ever fetched, a document type is refused, and what is wrong is a fault with its line. */
final class SecureXml {
    private SecureXml() {}

    /** The first sign of a file that is no blank; 0 where there is none. */
    static byte firstSign(byte[] file) {
        for (byte b : file) {
            if (b > ' ') {
                return b;
            }
        }
        return 0;
    }

    /** The root, which must have that local name. */
    static Element root(byte[] file, String name) throws FaultyFile {
        if (file.length > StrictJson.LARGEST_FILE) {
            throw fault("the file", "", "has %d MB; at most 64 MB are read".formatted(file.length >> 20));
        }
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            DocumentBuilder builder = factory.newDocumentBuilder();
            builder.setErrorHandler(new Throwing());
            Document document = builder.parse(new ByteArrayInputStream(file));
            Element root = document.getDocumentElement();
            if (!name.equals(root.getLocalName())) {
                throw fault("the file", root.getNodeName(), "expected an XML file that begins with " + name);
            }
            return root;
        } catch (SAXParseException broken) {
            throw fault(
                    "line %d, column %d".formatted(broken.getLineNumber(), broken.getColumnNumber()),
                    "",
                    "not valid XML: " + oneLine(broken));
        } catch (SAXException | IOException broken) {
            throw fault("the file", "", "not valid XML: " + oneLine(broken));
        } catch (ParserConfigurationException impossible) {
            throw new IllegalStateException("no secure XML parser", impossible);
        }
    }

    /** The default handler prints to standard error; a fault belongs to whoever brought the file. */
    private static final class Throwing implements ErrorHandler {
        @Override
        public void warning(SAXParseException warning) {
            // A warning leaves the document readable.
        }

        @Override
        public void error(SAXParseException error) throws SAXException {
            throw error;
        }

        @Override
        public void fatalError(SAXParseException error) throws SAXException {
            throw error;
        }
    }

    private static FaultyFile fault(String place, String value, String expected) {
        return new FaultyFile(List.of(new Fault(place, value, expected)));
    }

    static List<Element> children(Element of) {
        List<Element> children = new ArrayList<>();
        for (Node node = of.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element) {
                children.add(element);
            }
        }
        return children;
    }

    static List<Element> children(Element of, String name) {
        return children(of).stream().filter(e -> name.equals(e.getLocalName())).toList();
    }

    static Optional<Element> first(Element of, String name) {
        return children(of, name).stream().findFirst();
    }

    /** What a parser says may hold a line of the file. */
    private static String oneLine(Exception broken) {
        return String.valueOf(broken.getMessage()).replaceAll("\\s+", " ");
    }
}
