#include <fmt/format.h>

#include <QBuffer>

#include "core/formats/markup.h"
#include "deliver/page_pictures.h"
#include "deliver/spec_marks.h"

namespace bristle {
namespace {

constexpr int kFine = 92;   // of 100: nobody sees what is lost
constexpr int kQuick = 88;  // of 100: packs as little as it can, and fast

constexpr const char* kHead = R"(<!doctype html>
<html lang="en"><head><meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<style>
:root{{--ink:#24211e;--quiet:#55504a;--line:#d3cbbf;--teal:#0f6e6e;--new:#8a5700}}
body{{font:14px/1.45 Inter,system-ui,sans-serif;background:#efebe4;color:var(--ink);margin:0;display:grid;grid-template-columns:16rem minmax(0,1fr)}}
nav{{position:sticky;top:0;align-self:start;max-height:100vh;overflow:auto;padding:1.5rem 1rem;box-sizing:border-box;border-right:1px solid var(--line)}}
nav ol{{list-style:none;margin:0;padding:0}}nav ol ol{{padding-left:.9rem}}nav li{{margin:.2rem 0}}nav a{{color:var(--ink);text-decoration:none}}nav a:hover,nav a:focus{{color:var(--teal);text-decoration:underline}}
main{{padding:1.5rem 2rem;max-width:76rem}}
h1{{font-size:1.7rem;margin:0}}h2{{font-size:1.35rem;margin:2.8rem 0 .4rem;padding-bottom:.3rem;border-bottom:2px solid var(--ink)}}
h3{{font-size:1.1rem;margin:2rem 0 .3rem}}h4{{font-size:.95rem;margin:1.3rem 0 .3rem}}p{{margin:.3rem 0;max-width:60rem}}
.figures{{display:flex;flex-wrap:wrap;gap:1rem;margin:.8rem 0}}figure{{margin:0;max-width:100%}}figure img{{display:block;max-width:100%;height:auto}}figcaption{{color:var(--quiet);font-size:.85rem;margin-top:.2rem}}
.table{{overflow-x:auto}}table{{border-collapse:collapse;font-size:.85rem;margin:.5rem 0}}th,td{{text-align:left;vertical-align:top;padding:.25rem .7rem .25rem 0;border-bottom:1px solid var(--line)}}th{{font-weight:600;color:var(--quiet)}}
td i{{display:inline-block;width:.8em;height:.8em;margin-right:.35em;border:1px solid var(--quiet);vertical-align:-.05em}}
.mark{{color:var(--new);font-weight:600;white-space:nowrap}}tr.changed td{{background:#f7edd8}}figure.changed img{{outline:3px solid var(--new);outline-offset:2px}}
@media print{{body{{display:block;background:#fff}}nav{{position:static;max-height:none;border:0}}}}
@media (max-width:60rem){{body{{display:block}}nav{{position:static;max-height:none;border:0}}}}
</style>
<title>{0} · Specification</title></head><body>
)";

std::string contents(const Specification& spec) {
  std::string out = "<nav aria-label=\"Contents\"><ol>\n";
  bool inner = false;
  for (const SpecSection& s : spec.sections) {
    if (s.level > 2) continue;
    if (s.level == 2 && !inner) out += "<ol>";
    if (s.level == 1 && inner) out += "</ol>";
    inner = s.level == 2;
    out += fmt::format("<li><a href=\"#{}\">{}</a>{}</li>\n", escaped(s.id), escaped(s.title),
                       markOf(s.change));
  }
  return out + (inner ? "</ol>" : "") + "</ol></nav>\n";
}

std::string addressOf(const SpecFigure& figure) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (figure.exact)
    figure.image.save(&buffer, "PNG", kQuick);
  else
    figure.image.save(&buffer, "JPEG", kFine);
  return dataUri(figure.exact ? "image/png" : "image/jpeg", bytes.toStdString());
}

std::string figuresOf(const SpecSection& s) {
  if (s.figures.empty()) return {};
  std::string out = "<div class=\"figures\">\n";
  for (const SpecFigure& f : s.figures) {
    out += fmt::format(
        "<figure{}><img alt=\"{}\" width=\"{:.0f}\" "
        "src=\"{}\"><figcaption>{}{}</figcaption></figure>\n",
        f.change == SpecChange::None ? "" : " class=\"changed\"",
        escaped(s.title + ": " + f.caption), f.width, addressOf(f), escaped(f.caption),
        markOf(f.change));
  }
  return out + "</div>\n";
}

std::string tableOf(const SpecSection& s) {
  if (s.rows.empty()) return {};
  std::string out = "<div class=\"table\"><table><thead><tr>";
  for (const std::string& head : s.head) out += "<th scope=\"col\">" + escaped(head) + "</th>";
  out += "</tr></thead><tbody>\n";
  for (const SpecRow& row : s.rows) {
    out += row.change == SpecChange::None ? "<tr>" : "<tr class=\"changed\">";
    for (const SpecCell& cell : row.cells) {
      out += "<td>";
      if (cell.swatch) out += fmt::format("<i style=\"background:{}\"></i>", toHex(*cell.swatch));
      out += escaped(cell.text) + "</td>";
    }
    if (row.change != SpecChange::None)
      out += fmt::format("<td>{}{}</td>", markOf(row.change),
                         row.was.empty() ? "" : " was: " + escaped(row.was));
    out += "</tr>\n";
  }
  return out + "</tbody></table></div>\n";
}

}  // namespace

std::string specHtml(const Specification& spec) {
  std::string out = fmt::format(fmt::runtime(kHead), escaped(spec.title)) + contents(spec) +
                    fmt::format("<main>\n<h1>{}</h1><p>Specification. {}.</p>\n",
                                escaped(spec.title), escaped(spec.about)) +
                    "<p>" + escaped(changeWords(spec)) + "</p>\n";
  for (const SpecSection& s : spec.sections) {
    out += fmt::format("<h{0} id=\"{1}\">{2}{3}</h{0}>\n", s.level + 1, escaped(s.id),
                       escaped(s.title), markOf(s.change));
    if (!s.text.empty()) out += "<p>" + escaped(s.text) + "</p>\n";
    out += figuresOf(s) + tableOf(s);
  }
  return out + "</main></body></html>\n";
}

}  // namespace bristle
