#include <fmt/format.h>

#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QHash>
#include <QPainter>
#include <QPdfWriter>
#include <QTextBlock>
#include <QTextCursor>
#include <QTextDocument>
#include <QUrl>
#include <cmath>
#include <map>
#include <memory>
#include <span>

#include "core/formats/markup.h"
#include "deliver/spec_marks.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kMargin = 15;               // mm
constexpr std::string_view kLine = "line-";  // before the id, in the table of contents
constexpr int kNumberWide = 30;              // px for a page
constexpr size_t kColumns = 3;               // of the table of contents
constexpr double kFoot = 24;                 // px below what is written, for the number of the page
constexpr int kDotsPerInch = 1200;           // what is drawn is placed so finely
constexpr double kCssInch = 96;              // px to an inch

// What a text document understands of HTML and CSS.
constexpr const char* kStyle =
    "body{font-family:Inter,sans-serif;font-size:11px;color:#24211e}"
    "h1{font-size:26px}h2{font-size:20px}h3{font-size:15px;margin-top:20px}"
    "h4{font-size:12px;margin-top:14px}"
    "th{text-align:left;color:#55504a;font-weight:600}td,th{padding:2px 6px 2px 0}"
    ".mark{color:#8a5700;font-weight:600}.small{color:#55504a;font-size:10px}";

class Writing {
 public:
  explicit Writing(const Specification& spec) : spec_(spec) {
    writer_.setPageSize(QPageSize(QPageSize::A4));
    writer_.setPageOrientation(QPageLayout::Landscape);
    writer_.setPageMargins(QMarginsF(kMargin, kMargin, kMargin, kMargin), QPageLayout::Millimeter);
    writer_.setResolution(kDotsPerInch);
    writer_.setTitle(toQt(spec.title));
    writer_.setCreator(QStringLiteral("Bristle"));
    const double scale = kCssInch / kDotsPerInch;
    page_ = QSizeF(writer_.width() * scale, writer_.height() * scale - kFoot);
  }

  std::string write() {
    // Every chapter begins a page, and is a document of its own: long ones are set slowly.
    chapters_.push_back(set(coverOf(), {}));
    for (size_t from = 0, to = 0; from < spec_.sections.size(); from = to) {
      for (to = from + 1; to < spec_.sections.size() && spec_.sections[to].level > 1;) ++to;
      const std::span chapter(spec_.sections.data() + from, to - from);
      std::string html;
      for (const SpecSection& section : chapter) html += sectionOf(section);
      chapters_.push_back(set(html, chapter));
    }
    paint();
    return fixed(bytes_.buffer().toStdString());
  }

 private:
  static QBuffer& opened(QBuffer& buffer) {
    buffer.open(QIODevice::WriteOnly);
    return buffer;
  }

  std::unique_ptr<QTextDocument> set(const std::string& html,
                                     std::span<const SpecSection> chapter) const {
    auto doc = std::make_unique<QTextDocument>();
    doc->setUndoRedoEnabled(false);
    doc->setUseDesignMetrics(true);
    doc->setDefaultStyleSheet(QString::fromLatin1(kStyle));
    doc->setDocumentMargin(0);
    doc->setPageSize(page_);
    for (const SpecSection& section : chapter)
      for (const SpecFigure& figure : section.figures)
        doc->addResource(QTextDocument::ImageResource, QUrl(toQt(addressOf(figure))), figure.image);
    doc->setHtml(toQt("<body>" + html + "</body>"));
    keepHeadings(*doc);
    return doc;
  }

  // A heading goes over to the next page with what it heads, unless it is the first on its page:
  // then both would only go a page further.
  void keepHeadings(QTextDocument& doc) const {
    const auto pageOf = [&](const QTextBlock& block) {
      return int(doc.documentLayout()->blockBoundingRect(block).top() / page_.height());
    };
    QTextBlock above;  // the last picture or row
    for (QTextBlock block = doc.begin(); block.isValid(); block = block.next()) {
      if (QTextCursor(block).currentTable()) above = block;
      if (block.blockFormat().headingLevel() == 0) continue;
      const QTextBlock first = firstOf(block);
      const int page = pageOf(block);
      if (!first.isValid() || pageOf(first) == page) continue;
      if (!above.isValid() || pageOf(above) != page) continue;
      QTextBlockFormat over;
      over.setPageBreakPolicy(QTextFormat::PageBreak_AlwaysBefore);
      QTextCursor(block).mergeBlockFormat(over);
    }
  }
  // The first picture or row of a heading's section, be it in one below it; none where there is
  // none, or it begins a page anyway.
  static QTextBlock firstOf(const QTextBlock& heading) {
    QTextBlock at = heading.next();
    for (; at.isValid() && !QTextCursor(at).currentTable(); at = at.next()) {
      const QTextBlockFormat format = at.blockFormat();
      const int level = format.headingLevel();
      if (level == 0) continue;
      if (level <= heading.blockFormat().headingLevel()) return {};
      if (format.pageBreakPolicy() & QTextFormat::PageBreak_AlwaysBefore) return {};
    }
    return at;
  }

  static std::string addressOf(const SpecFigure& figure) { return "figure:" + figure.key; }

  std::string coverOf() const {
    return fmt::format("<h1>{}</h1><p>Specification. {}.</p><p>{}</p>", escaped(spec_.title),
                       escaped(spec_.about), escaped(changeWords(spec_))) +
           contents();
  }

  // With room for the pages: on which one a section begins is known once all of it is set.
  std::string contents() const {
    std::vector<std::string> lines;
    for (const SpecSection& s : spec_.sections) {
      if (s.level > 2) continue;
      lines.push_back(fmt::format("<td><a name=\"{}{}\"></a>{}{}{}</td><td width=\"{}\"></td>",
                                  kLine, escaped(s.id),
                                  s.level == 1 ? "" : "&nbsp;&nbsp;&nbsp;&nbsp;", escaped(s.title),
                                  markOf(s.change), kNumberWide));
    }
    // In columns, so that all of it is seen at once.
    const size_t down = std::max<size_t>(1, (lines.size() + kColumns - 1) / kColumns);
    std::string out = "<table cellspacing=\"0\" border=\"0\" class=\"small\">";
    for (size_t row = 0; row < down; ++row) {
      out += "<tr>";
      for (size_t at = row; at < lines.size(); at += down)
        out += lines[at] + "<td width=\"40\"></td>";
      out += "</tr>";
    }
    return out + "</table>";
  }

  // What is large begins a page, unless the heading around it has just done so.
  bool beginsPage(const SpecSection& s) {
    double high = 0, wide = 0;
    for (const SpecFigure& f : s.figures) {
      high = std::max(high, f.width * f.image.height() / f.image.width());
      wide += f.width;
    }
    const bool large = high * std::ceil(wide / page_.width()) > page_.height() / 3;
    const bool begins = s.level > 1 && !fresh_ && (large || (s.level == 2 && s.rows.empty()));
    fresh_ = s.level == 1 || (begins && s.figures.empty() && s.rows.empty());
    return begins;
  }

  std::string sectionOf(const SpecSection& s) {
    std::string out = fmt::format("<h{0}{1}><a name=\"{2}\"></a>{3}{4}</h{0}>", s.level + 1,
                                  beginsPage(s) ? " style=\"page-break-before:always\"" : "",
                                  escaped(s.id), escaped(s.title), markOf(s.change));
    if (!s.text.empty()) out += "<p>" + escaped(s.text) + "</p>";
    return out + figuresOf(s) + tableOf(s);
  }

  // As many beside one another as there is room for.
  std::string figuresOf(const SpecSection& s) {
    std::string out, pictures, captions;
    double used = 0;
    const auto row = [&] {
      if (!pictures.empty())
        out += "<table cellspacing=\"0\" border=\"0\"><tr>" + pictures + "</tr><tr>" + captions +
               "</tr></table>";
      pictures.clear(), captions.clear();
      used = 0;
    };
    for (const SpecFigure& f : s.figures) {
      const double high = f.width * f.image.height() / f.image.width();
      const double smaller =
          std::min({1.0, (page_.width() - 20) / f.width, (page_.height() - 90) / high});
      const double w = f.width * smaller;
      if (used + w + 12 > page_.width()) row();
      used += w + 12;
      pictures += fmt::format("<td><img src=\"{}\" width=\"{:.0f}\" height=\"{:.0f}\"></td>",
                              escaped(addressOf(f)), w, high * smaller);
      captions +=
          fmt::format("<td class=\"small\">{}{}</td>", escaped(f.caption), markOf(f.change));
    }
    row();
    return out;
  }

  static std::string tableOf(const SpecSection& s) {
    if (s.rows.empty()) return {};
    std::string out = "<table width=\"100%\" cellspacing=\"0\" border=\"0\"><thead><tr>";
    for (const std::string& head : s.head) out += "<th>" + escaped(head) + "</th>";
    out += "</tr></thead>";
    for (const SpecRow& row : s.rows) {
      out += row.change == SpecChange::None ? "<tr>" : "<tr bgcolor=\"#f7edd8\">";
      for (size_t i = 0; i < row.cells.size(); ++i) {
        const SpecCell& cell = row.cells[i];
        out += "<td>";
        if (cell.swatch)
          out += fmt::format("<span style=\"background-color:{}\">&nbsp;&nbsp;&nbsp;</span> ",
                             toHex({cell.swatch->r, cell.swatch->g, cell.swatch->b, 255}));
        out += escaped(cell.text);
        if (i + 1 == row.cells.size() && row.change != SpecChange::None)
          out += markOf(row.change) + (row.was.empty() ? "" : " was: " + escaped(row.was));
        out += "</td>";
      }
      out += "</tr>";
    }
    return out + "</table>";
  }

  // Where something with a name stands: in a chapter, px, and on which page of all, from 1.
  struct Anchor {
    size_t chapter = 0;
    QRectF rect;
    int page = 1;
  };
  std::map<std::string, Anchor> anchors() const {
    std::map<std::string, Anchor> out;
    int before = 0;
    for (size_t c = 0; c < chapters_.size(); ++c) {
      const QTextDocument& doc = *chapters_[c];
      for (QTextBlock block = doc.begin(); block.isValid(); block = block.next())
        for (auto at = block.begin(); !at.atEnd(); ++at)
          for (const QString& name : at.fragment().charFormat().anchorNames()) {
            const QRectF rect = doc.documentLayout()->blockBoundingRect(block);
            out[fromQt(name)] = {c, rect, before + 1 + int(rect.top() / page_.height())};
          }
      before += doc.pageCount();
    }
    return out;
  }

  void paint() {
    QPainter p(&writer_);
    const auto places = anchors();
    QFont small(QStringLiteral("Inter"));
    small.setPixelSize(10);
    int number = 0;
    for (size_t c = 0; c < chapters_.size(); ++c)
      for (int page = 0; page < chapters_[c]->pageCount(); ++page) {
        if (number++ > 0) writer_.newPage();
        p.save();
        p.scale(kDotsPerInch / kCssInch, kDotsPerInch / kCssInch);
        const auto quiet = [&] {
          p.setFont(small);
          p.setPen(QColor(85, 80, 74));
        };
        quiet();
        const QRectF foot(0, page_.height() + 6, page_.width(), kFoot - 6);
        p.drawText(foot, Qt::AlignLeft | Qt::AlignVCenter, toQt(spec_.title));
        p.drawText(foot, Qt::AlignRight | Qt::AlignVCenter, QString::number(number));
        const QRectF seen(0, page * page_.height(), page_.width(), page_.height());
        p.translate(0, -seen.top());
        chapters_[c]->drawContents(&p, seen);
        quiet();
        paintPageNumbers(p, places, c, seen);
        p.restore();
      }
  }

  // Beside the lines of the table of contents that are seen.
  void paintPageNumbers(QPainter& p, const std::map<std::string, Anchor>& places, size_t chapter,
                        const QRectF& seen) const {
    for (const auto& [name, line] : places) {
      const auto section =
          name.starts_with(kLine) ? places.find(name.substr(kLine.size())) : places.end();
      if (section == places.end() || line.chapter != chapter || !seen.contains(line.rect.center()))
        continue;
      p.drawText(QRectF(line.rect.right(), line.rect.top(), kNumberWide, line.rect.height()),
                 Qt::AlignRight | Qt::AlignVCenter, QString::number(section->second.page));
    }
  }

  // The day on which it was made would make of the same specification another file.
  static std::string fixed(std::string pdf) {
    static constexpr std::string_view kDay = "/CreationDate (D:", kAny = "20000101000000";
    const size_t at = pdf.find(kDay);
    if (at != std::string::npos) pdf.replace(at + kDay.size(), kAny.size(), kAny);
    return pdf;
  }

  const Specification& spec_;
  QBuffer bytes_;
  QPdfWriter writer_{&opened(bytes_)};
  std::vector<std::unique_ptr<QTextDocument>> chapters_;  // the cover first
  QSizeF page_;                                           // of what is written, px
  bool fresh_ = false;  // nothing but headings stands on the page yet
};

}  // namespace

std::string specPdf(const Specification& spec) {
  // Fonts are written in the order of a hash: by chance it would be another file each time.
  QHashSeed::setDeterministicGlobalSeed();
  return Writing(spec).write();
}

}  // namespace bristle
