package org.evensheen.app.shelf;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.LabelStore;
import org.evensheen.app.labels.LabelStore.Outcome.Kept;
import org.evensheen.app.labels.LabelStore.Outcome.NameTaken;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Hands;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Enters a product's label, and corrects it. */
@Controller
class LabelController {
    private final ProductStore products;
    private final LabelStore keeper;
    private final StockStore stock;

    LabelController(ProductStore products, LabelStore keeper, StockStore stock) {
        this.products = products;
        this.keeper = keeper;
        this.stock = stock;
    }

    @GetMapping("/shelf/new")
    String blank(Model model) {
        return show(LabelForm.show(LabelForm.Sent.empty(), null, List.of(), Optional.empty()), model);
    }

    @GetMapping("/shelf/{id}/label")
    String edit(@PathVariable long id, Model model) {
        Product product = products.load(id);
        return show(
                LabelForm.show(LabelForm.Sent.editing(product), id, product.calibrations(), Optional.empty()), model);
    }

    /** The line as it is read, while it is typed. */
    @PostMapping("/shelf/label/read")
    String read(LabelForm.Sent sent, Model model) {
        show(LabelForm.show(sent, null, List.of(), products.usualCurrency()), model);
        return "shelf/label :: read";
    }

    @PostMapping("/shelf")
    String make(LabelForm.Sent sent, HttpServletRequest request, HttpServletResponse response, Model model) {
        return keep(sent, null, request, response, model);
    }

    @PostMapping("/shelf/{id}/label")
    String correct(
            @PathVariable long id,
            LabelForm.Sent sent,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        return keep(sent, products.load(id), request, response, model);
    }

    private String keep(
            LabelForm.Sent sent,
            @Nullable Product product,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        String by = Hands.of(request).name();
        LabelForm.Outcome read = LabelForm.read(
                sent,
                product == null ? null : product.id(),
                product == null ? List.of() : product.calibrations(),
                products.usualCurrency(),
                by);
        LabelForm form = read.form();
        if (read.draft().isPresent()) {
            LabelStore.Outcome outcome = keeper.keep(read.draft().get());
            if (outcome instanceof Kept kept) {
                read.bottle()
                        .ifPresent(b -> stock.keepBottle(
                                kept.product(), b.sizeMl(), b.comeBy(), b.comeByOn(), b.openedOn(), sent.key(), by));
                return "redirect:/shelf/" + kept.product();
            }
            form = outcome instanceof NameTaken taken
                    ? form.with(
                            "name", "A product of that name stands on the Shelf already. Give this one another name.")
                    : overtaken(form, model);
        }
        response.setStatus(422);
        return show(form, model);
    }

    /** Shows what somebody else kept in the meantime beside what was typed; sending again then replaces it knowingly. */
    private LabelForm overtaken(LabelForm form, Model model) {
        Product now = products.load(java.util.Objects.requireNonNull(form.product()));
        model.addAttribute("theirs", now.written());
        LabelForm.Sent s = form.sent();
        return new LabelForm(
                        new LabelForm.Sent(
                                s.name(),
                                s.kind(),
                                s.line(),
                                now.labelNumber(),
                                UUID.randomUUID(),
                                s.size(),
                                s.comeBy(),
                                s.comeByOn(),
                                s.openedOn()),
                        form.problems(),
                        form.view(),
                        form.kinds(),
                        form.product())
                .with(
                        "line",
                        "Somebody kept another label while you were typing; it is shown below. "
                                + "Take over from it what is right, and keep again.");
    }

    private static String show(LabelForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("sources", LabelForm.SOURCES);
        return "shelf/label";
    }
}
