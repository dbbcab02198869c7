package markturn.web.frame;

import java.util.Set;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.ITemplateContext;
import org.thymeleaf.context.IWebContext;
import org.thymeleaf.dialect.AbstractProcessorDialect;
import org.thymeleaf.model.IProcessableElementTag;
import org.thymeleaf.processor.IProcessor;
import org.thymeleaf.processor.element.AbstractElementTagProcessor;
import org.thymeleaf.processor.element.IElementTagStructureHandler;
import org.thymeleaf.standard.StandardDialect;
import org.thymeleaf.standard.expression.StandardExpressions;
import org.thymeleaf.templatemode.TemplateMode;

/**
 * Leaves out of every page the forms and links that {@link Rights} would refuse to whoever looks at it, so that no template has to ask. A
 * form without an address is posted by its page's script, beneath the address of the page.
 */
@Component
public final class AllowedActs extends AbstractProcessorDialect {
    /** The name of an attribute of the model: the address of the page, where it is not the one that is asked. */
    public static final String STANDS_AT = "standsAt";

    /** After what repeats, asks and names ({@code th:each}, {@code th:if}, {@code th:with}), before {@code th:action}. */
    private static final int BEFORE_ACTION = 950;

    AllowedActs() {
        super("Allowed acts", "th", StandardDialect.PROCESSOR_PRECEDENCE);
    }

    @Override
    public Set<IProcessor> getProcessors(String prefix) {
        return Set.of(new OfForms(prefix), new OfLinks(prefix));
    }

    private static final class OfForms extends AbstractElementTagProcessor {
        private final String prefix;

        OfForms(String prefix) {
            super(TemplateMode.HTML, prefix, "form", false, null, false, BEFORE_ACTION);
            this.prefix = prefix;
        }

        @Override
        protected void doProcess(
                ITemplateContext context, IProcessableElementTag form, IElementTagStructureHandler structure) {
            if ("get".equals(form.getAttributeValue("method"))) {
                return;
            }
            leaveOut(HttpMethod.POST, address(context, form), structure);
        }

        private String address(ITemplateContext context, IProcessableElementTag form) {
            String action = form.getAttributeValue(prefix, "action");
            if (action != null) {
                return said(context, action);
            }
            String page = context.getVariable(STANDS_AT) instanceof String elsewhere
                    ? elsewhere
                    : ((IWebContext) context).getExchange().getRequest().getRequestPath();
            return page + (form.hasAttribute("data-path") ? form.getAttributeValue("data-path") : "/book");
        }
    }

    private static final class OfLinks extends AbstractElementTagProcessor {
        private final String prefix;

        OfLinks(String prefix) {
            super(TemplateMode.HTML, prefix, "a", false, "href", true, BEFORE_ACTION);
            this.prefix = prefix;
        }

        @Override
        protected void doProcess(
                ITemplateContext context, IProcessableElementTag link, IElementTagStructureHandler structure) {
            // A page of thousands of lines has as many links: whoever may see every page is not asked for each.
            if (Rights.allowEveryPage(SecurityContextHolder.getContext().getAuthentication())) {
                return;
            }
            String address = said(context, link.getAttributeValue(prefix, "href"));
            String path = address.replaceAll("[?#].*", "");
            if (Rights.names(path)) {
                leaveOut(HttpMethod.GET, path, structure);
            }
        }
    }

    private static void leaveOut(HttpMethod method, String path, IElementTagStructureHandler structure) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (!Rights.allow(method, path, who)) {
            structure.removeElement();
        }
    }

    private static String said(ITemplateContext context, String expression) {
        return String.valueOf(StandardExpressions.getExpressionParser(context.getConfiguration())
                .parseExpression(context, expression)
                .execute(context));
    }
}
