package org.evensheen.app.shelf;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evensheen.app.labels.LabelStore;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Sheet;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Takes the Shelf out as a file, and brings a file in. */
@Controller
class ProductsFileController {
    private final ProductStore products;
    private final LabelStore labels;
    private final StockStore stock;
    private final ShelfStore shelf;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ProductsFileController(
            ProductStore products,
            LabelStore labels,
            StockStore stock,
            ShelfStore shelf,
            TransactionTemplate transaction,
            Clock clock) {
        this.products = products;
        this.labels = labels;
        this.stock = stock;
        this.shelf = shelf;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What the page says after a file was tried. */
    record Tried(boolean stored, String summary, List<String> problems) {}

    @GetMapping("/shelf/file")
    String page(Model model) {
        model.addAttribute("header", String.join(",", ProductsFile.REQUIRED));
        model.addAttribute("more", String.join(", ", ProductsFile.OPTIONAL));
        return "shelf/file";
    }

    @GetMapping("/shelf/products.csv")
    ResponseEntity<byte[]> export() {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/csv;charset=UTF-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"even-sheen-products.csv\"")
                .body(ProductsFile.write(shelf.everything()).getBytes(StandardCharsets.UTF_8));
    }

    @PostMapping("/shelf/file")
    String bringIn(
            @RequestParam MultipartFile file, HttpServletRequest request, HttpServletResponse response, Model model)
            throws IOException {
        ProductsFile.Contents contents = file.isEmpty()
                ? new ProductsFile.Contents(
                        List.of(), List.of("No file was chosen, or it is empty. Choose a CSV file first."))
                : file.getSize() > Sheet.MOST_BYTES
                        ? new ProductsFile.Contents(List.of(), List.of(Sheet.TOO_LARGE))
                        : ProductsFile.read(file.getBytes());
        List<String> problems = new ArrayList<>(contents.problems());
        int[] counts = new int[2];
        if (problems.isEmpty()) {
            transaction.executeWithoutResult(status -> {
                problems.addAll(keep(contents.lines(), Hands.of(request).name(), counts));
                if (!problems.isEmpty()) {
                    status.setRollbackOnly();
                }
            });
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
        }
        model.addAttribute(
                "tried",
                problems.isEmpty()
                        ? new Tried(
                                true,
                                "%s kept; %d were here already, just the same."
                                        .formatted(Figures.count(counts[0], "label", "labels"), counts[1]),
                                List.of())
                        : new Tried(false, "Nothing was stored.", problems));
        return page(model);
    }

    /** Keeps every line, and says which could not be; counts labels kept, and products that were there just the same. */
    private List<String> keep(List<ProductsFile.Line> lines, String by, int[] counts) {
        Map<String, Product> there = products
                .allNamed(lines.stream().map(ProductsFile.Line::name).toList())
                .stream()
                .collect(Collectors.toMap(p -> p.name().toLowerCase(java.util.Locale.ROOT), Function.identity()));
        List<String> problems = new ArrayList<>();
        for (ProductsFile.Line line : lines) {
            Optional<Product> known = Optional.ofNullable(there.get(line.name().toLowerCase(java.util.Locale.ROOT)));
            if (known.filter(p -> p.label().equals(line.label()) && p.kind() == line.kind())
                    .isPresent()) {
                counts[1]++;
                continue;
            }
            LabelStore.Outcome outcome = labels.keep(new LabelStore.Draft(
                    known.map(Product::id),
                    known.map(Product::name).orElse(line.name()),
                    line.kind(),
                    known.map(Product::labelNumber).orElse(0),
                    line.written(),
                    line.label(),
                    UUID.randomUUID(),
                    by));
            if (outcome instanceof LabelStore.Outcome.Kept kept) {
                counts[0]++;
                if (known.isEmpty()) {
                    line.bottle().ifPresent(bottle -> bottle(kept.product(), bottle, by));
                }
            } else {
                problems.add(
                        "“%s” was changed by somebody else just now. Bring the file in again.".formatted(line.name()));
            }
        }
        return problems;
    }

    private void bottle(long product, ProductsFile.Bottle bottle, String by) {
        stock.keepBottle(
                product, bottle.sizeMl(), bottle.comeBy(), bottle.comeByOn(), bottle.openedOn(), UUID.randomUUID(), by);
        bottle.leftMl()
                .filter(left -> left != bottle.sizeMl())
                .ifPresent(left -> stock.keep(new StockStore.Draft(
                        product,
                        "weighed",
                        bottle.sizeMl() - left,
                        Optional.empty(),
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        LocalDate.now(clock),
                        UUID.randomUUID(),
                        by)));
    }
}
