#include "paint/svg_guard.h"

#include <QHash>
#include <QRegularExpression>
#include <QXmlStreamReader>
#include <QXmlStreamWriter>
#include <functional>

#include "paint/convert.h"
#include "paint/picture_bytes.h"

namespace bristle {
namespace {

constexpr qsizetype kMostSvgBytes = 16 << 20;
constexpr int kDeepest = 200;
constexpr qint64 kMostElements = 200'000;

// How many elements are drawn in the end: what has an id counts again for each `use` of it.
class Expansion {
 public:
  void begin(const QString& id, const QString& uses) {
    for (const QString& open : open_) {
      if (open.isEmpty()) continue;
      ++own_[open];
      if (!uses.isEmpty()) refers_[open] << uses;
    }
    ++all_;
    if (!uses.isEmpty()) topUses_ << uses;
    open_ << id;
  }
  void end() { open_.removeLast(); }
  int depth() const { return int(open_.size()); }
  // More than the most where it goes in a circle.
  qint64 total() {
    qint64 sum = all_;
    for (const QString& id : topUses_) sum = std::min(kMostElements + 1, sum + of(id));
    return sum;
  }

 private:
  qint64 of(const QString& id) {
    if (busy_.contains(id)) return kMostElements + 1;
    if (const auto at = known_.constFind(id); at != known_.constEnd()) return *at;
    busy_ << id;
    qint64 sum = 1 + own_.value(id);
    for (const QString& other : refers_.value(id)) {
      sum += of(other);
      if (sum > kMostElements) break;
    }
    busy_.removeAll(id);
    return known_[id] = std::min(sum, kMostElements + 1);
  }
  QStringList open_, topUses_, busy_;
  QHash<QString, qint64> own_, known_;
  QHash<QString, QStringList> refers_;
  qint64 all_ = 0;
};

// A picture inside the text may be a PNG, JPEG or WebP of a size that may be drawn, by its bytes:
// what its type says is not what it will be read as.
bool isHarmlessPicture(const QString& data) {
  const qsizetype comma = data.indexOf(QLatin1Char(','));
  if (comma < 0 || !data.left(comma).endsWith(QStringLiteral(";base64"), Qt::CaseInsensitive))
    return false;
  QString problem;
  return !readRaster(QByteArray::fromBase64(data.mid(comma + 1).toLatin1()), problem).isNull();
}

bool staysInside(const QString& reference) {
  const QString r = reference.trimmed();
  if (r.startsWith(QLatin1Char('#'))) return true;
  return r.startsWith(QStringLiteral("data:"), Qt::CaseInsensitive) && isHarmlessPicture(r);
}

// url(…) in styles and attributes may only point into the document.
bool urlsStayInside(const QString& text) {
  static const QRegularExpression url(QStringLiteral("url\\(\\s*['\"]?([^)'\"]*)"),
                                      QRegularExpression::CaseInsensitiveOption);
  auto it = url.globalMatch(text);
  while (it.hasNext())
    if (!staysInside(it.next().captured(1))) return false;
  return !text.contains(QStringLiteral("@import"), Qt::CaseInsensitive);
}

}  // namespace

Result<SafeSvg> makeSafe(const QByteArray& svg, const std::string& file) {
  if (svg.size() > kMostSvgBytes) return fail(file, "is larger than 16 MB");
  SafeSvg out;
  QXmlStreamReader in(svg);
  QXmlStreamWriter write(&out.text);
  Expansion expansion;
  int skipping = 0;  // inside something that is left out
  const auto refuse = [&](const char* why) {
    return fail(file + " line " + std::to_string(in.lineNumber()), why);
  };
  while (!in.atEnd()) {
    const auto token = in.readNext();
    if (token == QXmlStreamReader::DTD) {
      if (!in.entityDeclarations().isEmpty() || in.text().contains(u"<!ENTITY"))
        return refuse("declares entities of its own, which are not followed");
      continue;
    }
    if (token == QXmlStreamReader::EntityReference)
      return refuse("uses an entity that is not known");
    if (token == QXmlStreamReader::StartElement) {
      const QString name = in.name().toString();
      const auto attributes = in.attributes();
      QString uses;
      for (const auto& a : attributes) {
        if (a.name() == u"href") {
          if (!staysInside(a.value().toString()) && name != u"a")
            return refuse(
                "refers to something outside the file, or to a picture in it that is no PNG, JPEG "
                "or WebP");
          if (name == u"use") uses = a.value().toString().mid(1);
        } else if (!urlsStayInside(a.value().toString())) {
          return refuse(
              "refers to something outside the file, or to a picture in it that is no PNG, JPEG or "
              "WebP");
        }
      }
      expansion.begin(attributes.value(QLatin1String("id")).toString(), uses);
      if (expansion.depth() > kDeepest) return refuse("is nested deeper than 200");
      if (expansion.depth() == 1 && name != u"svg") return refuse("is no SVG document");
      if (expansion.depth() == 2 && name == u"g" && attributes.hasAttribute(QLatin1String("id")))
        out.groups << attributes.value(QLatin1String("id")).toString();
      if (skipping || name == u"script" || name == u"foreignObject") {
        ++skipping;
        continue;
      }
    }
    if (token == QXmlStreamReader::Characters && !urlsStayInside(in.text().toString()))
      return refuse(
          "refers to something outside the file, or to a picture in it that is no PNG, JPEG or "
          "WebP");
    if (token == QXmlStreamReader::EndElement) {
      expansion.end();
      if (skipping) {
        --skipping;
        continue;
      }
    }
    if (!skipping && token != QXmlStreamReader::Invalid) write.writeCurrentToken(in);
  }
  if (in.hasError()) return refuse("is not well-formed");
  if (expansion.total() > kMostElements) return fail(file, "draws more than 200,000 elements");
  return out;
}

}  // namespace bristle
