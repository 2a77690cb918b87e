#include "deliver/findings_report.h"

#include <fmt/format.h>

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <algorithm>
#include <map>

#include "core/findings/rule_info.h"
#include "core/formats/markup.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kWide = 560;  // px of a picture on the page

constexpr const char* kHead = R"(<!doctype html>
<html lang="en"><head><meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<style>
body{{font:15px/1.45 Inter,system-ui,sans-serif;background:#efebe4;color:#24211e;margin:2rem auto;max-width:64rem;padding:0 1rem}}
h1{{font-size:1.6rem}}h2{{font-size:1.15rem;margin-top:2.2rem;border-bottom:1px solid #c9c1b5;padding-bottom:.3rem}}
article{{display:grid;grid-template-columns:minmax(0,1fr) minmax(0,1fr);gap:1.2rem;padding:1rem 0;border-bottom:1px solid #ded7cc}}
article>div:only-child{{grid-column:1/-1}}
.place{{font-weight:600;margin:0}}.why,.mend,.figure{{margin:.35rem 0 0}}.why{{color:#55504a}}
.picture{{position:relative;background:#6e6d6b;max-width:100%}}.picture img{{display:block;width:100%}}
.mark{{position:absolute;outline:3px solid #b23a22;outline-offset:2px;box-shadow:0 0 0 7px rgba(255,255,255,.75)}}
.bar{{height:8px;background:#ded7cc;border-radius:4px;position:relative;margin:.4rem 0}}
.bar i{{display:block;height:8px;background:#b23a22;border-radius:4px}}.bar b{{position:absolute;top:-4px;height:16px;width:2px;background:#24211e}}
</style>
<title>Findings · {0}</title></head><body>
<h1>Findings · {0}</h1><p>{1}</p>
)";

std::string dataOf(const QImage& image) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, "PNG");
  return "data:image/png;base64," + bytes.toBase64().toStdString();
}

class Report {
 public:
  Report(const Project& project, LookPainter& looks, const TextMeasure& measure)
      : project_(project), looks_(looks), measure_(measure) {}

  std::string article(const Finding& f, const std::string& accepted = {}) {
    const RuleInfo& info = infoOf(f.rule);
    std::string out = fmt::format("<article><div><p class=\"place\">{}</p><p>{}</p>",
                                  escaped(f.place), escaped(f.reason));
    if (f.figure) out += figure(f);
    out += fmt::format("<p class=\"why\">{}{}</p>", escaped(info.why),
                       info.standard.empty() ? "" : " " + escaped(info.standard) + ".");
    for (const Edit& mend : f.mends)
      out += fmt::format("<p class=\"mend\">To mend it: {}.</p>", escaped(mend.name));
    if (!accepted.empty()) out += fmt::format("<p class=\"mend\">{}</p>", escaped(accepted));
    return out + "</div>" + picture(f) + "</article>\n";
  }

 private:
  static std::string figure(const Finding& f) {
    const double limit = f.limit.value_or(0), most = std::max({*f.figure, limit, 1e-9}) * 1.25;
    return fmt::format(
        "<p class=\"figure\">{:.4g} {}{}</p><div class=\"bar\"><i style=\"width:{:.1f}%\"></i>"
        "<b style=\"left:{:.1f}%\"></b></div>",
        *f.figure, escaped(f.unit), limit > 0 ? fmt::format(", limit {:.4g}", limit) : "",
        100 * *f.figure / most, 100 * limit / most);
  }

  std::string picture(const Finding& f) {
    if (const Screen* screen = find(project_, f.screen)) return ofScreen(f, *screen);
    if (const Kind* kind = find(project_, f.kind)) return ofKind(f, *kind);
    return {};
  }

  std::string ofScreen(const Finding& f, const Screen& screen) {
    const Display* display = find(project_, f.display);
    if (!display && project_.displays.empty()) return {};
    const Showing showing{display ? *display : project_.displays.front(), f.language};
    const Layout layout = layOut(project_, screen, showing, measure_);
    std::string& image = screens_[{screen.id, showing.display.id, f.language}];
    if (image.empty()) {
      const double s = kWide / layout.width;
      QImage out(int(kWide), std::max(1, int(layout.height * s)), QImage::Format_RGB32);
      out.fill(QColor(110, 109, 107));
      QPainter p(&out);
      p.setRenderHint(QPainter::Antialiasing);
      p.scale(s, s);
      paintScreen(p, looks_, tables_, project_, screen, layout);
      p.end();
      image = dataOf(out);
    }
    std::string out = fmt::format("<div class=\"picture\"><img alt=\"{}\" src=\"{}\">",
                                  escaped(screen.name), image);
    for (size_t i = 0; i < screen.items.size(); ++i)
      if (screen.items[i]->id == f.item) {
        const Box& b = layout.items[i].box;
        out += fmt::format(
            "<div class=\"mark\" style=\"left:{:.2f}%;top:{:.2f}%;width:{:.2f}%;height:{:.2f}%\">"
            "</div>",
            100 * b.x / layout.width, 100 * b.y / layout.height, 100 * b.w / layout.width,
            100 * b.h / layout.height);
      }
    return out + "</div>";
  }

  std::string ofKind(const Finding& f, const Kind& kind) {
    const auto table = tables_.get(project_, kind.id);
    const Machine* machine = find(project_, kind.machine);
    if (!table || !machine) return {};
    StateIndex state = 0;
    for (size_t i = 0; i < machine->states.size(); ++i)
      if (machine->states[i].id == f.state) state = static_cast<StateIndex>(i);
    const double s = std::min(1.0, (kWide - 40) / kind.width);
    QImage out(int(kWide), std::clamp(int(kind.height * s) + 40, 60, 400), QImage::Format_RGB32);
    out.fill(QColor(110, 109, 107));
    QPainter p(&out);
    p.setRenderHint(QPainter::Antialiasing);
    p.translate(out.width() / 2.0, out.height() / 2.0);
    p.scale(s, s);
    looks_.paint(p, kind, *table, table->state(state),
                 QRectF(-kind.width / 2, -kind.height / 2, kind.width, kind.height),
                 kind.sampleCaption);
    p.end();
    return fmt::format("<div class=\"picture\"><img alt=\"{}\" src=\"{}\"></div>",
                       escaped(kind.name), dataOf(out));
  }

  const Project& project_;
  LookPainter& looks_;
  const TextMeasure& measure_;
  LookTables tables_;
  std::map<std::tuple<ScreenId, DisplayId, LanguageId>, std::string> screens_;
};

}  // namespace

std::string findingsReport(const Project& project, const SortedFindings& found, LookPainter& looks,
                           const TextMeasure& measure, const std::string& day) {
  Report report(project, looks, measure);
  std::string out = fmt::format(fmt::runtime(kHead), escaped(project.name),
                                escaped(fmt::format("{} · {} findings, {} accepted", day,
                                                    found.open.size(), found.accepted.size())));
  for (const RuleInfo& info : ruleInfos()) {
    std::string all;
    for (const Finding& f : found.open)
      if (f.rule == info.name) all += report.article(f);
    if (!all.empty())
      out += fmt::format("<section><h2>{} · {}</h2>\n{}</section>\n", escaped(nameOf(info.group)),
                         escaped(info.asks), all);
  }
  if (found.open.empty()) out += "<p>Nothing is wrong, as far as the rules can see.</p>\n";
  if (!found.accepted.empty()) {
    out += "<section><h2>Accepted</h2>\n";
    for (const auto& each : found.accepted)
      out += report.article(each.finding, fmt::format("Accepted {}: {}", each.on, each.reason));
    out += "</section>\n";
  }
  return out + "</body></html>\n";
}

}  // namespace bristle
