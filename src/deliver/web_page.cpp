#include "deliver/web_page.h"

#include <fmt/format.h>

#include <QCoreApplication>
#include <QCryptographicHash>
#include <QDir>
#include <QFile>
#include <QFontDatabase>
#include <QRawFont>
#include <algorithm>
#include <nlohmann/json.hpp>

#include "core/edit/used_files.h"
#include "core/formats/file_io.h"
#include "core/formats/markup.h"
#include "deliver/file_probes.h"
#include "deliver/measures.h"
#include "deliver/page_pictures.h"
#include "deliver/pictures.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/project_fonts.h"
#include "paint/screen_painter.h"
#include "runtime/formats/menu_file.h"
#include "runtime/layout/layout.h"

// In a library a resource is there once it was asked for.
static void needPageResource() {
  Q_INIT_RESOURCE(page);
}

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

std::string resource(const char* name) {
  QFile file(QStringLiteral(":/page/") + QLatin1String(name));
  return file.open(QIODevice::ReadOnly) ? file.readAll().toStdString() : std::string();
}

// Its parts in this order, in one function, so that they know one another and nobody else does.
std::string pageScript() {
  std::string out = "'use strict';\n(() => {\n";
  for (const char* part : {"runtime.js", "display.js", "captions.js", "shown.js", "heard.js",
                           "time.js", "devices.js", "start.js"})
    out += resource(part);
  return out + "})();\n";
}

std::string hashOf(const std::string& text) {
  return "'sha256-" +
         QCryptographicHash::hash(QByteArray::fromStdString(text), QCryptographicHash::Sha256)
             .toBase64()
             .toStdString() +
         "'";
}

// JSON within a script element: nothing in it ends the element.
std::string inScript(std::string json) {
  std::string out;
  for (char c : json) {
    if (c == '<')
      out += "\\u003c";
    else
      out += c;
  }
  return out;
}

// As zlib has it (RFC 1950): base64 of what is not packed packs badly afterwards.
std::string packed(const std::string& bytes) {
  constexpr int kLength = 4;  // that Qt writes before it
  return qCompress(QByteArray::fromStdString(bytes), 9).mid(kLength).toBase64().toStdString();
}

// OpenType 1.9, table OS/2, usWeightClass: what the font itself says, 1–1000.
int weightOf(const QRawFont& font) {
  const QByteArray table = font.fontTable("OS/2");
  if (table.size() < 6) return 400;
  const int weight =
      static_cast<unsigned char>(table[4]) << 8 | static_cast<unsigned char>(table[5]);
  return std::clamp(weight, 1, 1000);
}

std::string typeOfSound(const std::string& file) {
  const auto ends = [&](const char* with) { return file.ends_with(with); };
  if (ends(".ogg") || ends(".oga")) return "audio/ogg";
  if (ends(".mp3")) return "audio/mpeg";
  if (ends(".flac")) return "audio/flac";
  return "audio/wav";
}

class Making {
 public:
  Making(const Project& project, LookPainter& looks, const std::string& folder)
      : project_(project), looks_(looks), folder_(folder) {}

  Result<WebPage> make(const std::string& runtime) {
    const Measured measured = measureAll(project_, looks_.pictures());
    const auto pictures = pagePictures(project_, looks_.pictures(), folder_);
    const std::string style = resource("page.css") + fontRules() + pageRules(pictures);
    const std::string script = pageScript();
    const auto still = firstScreen();
    if (!still) return tl::unexpected(still.error());
    const Screen* first = find(project_, project_.first);
    const std::string name = project_.name;
    const std::string text = first ? first->name : name;
    const std::pair<const char*, std::string> fields[] = {
        {"@LANG@", escaped(project_.languages[0].tag)},
        {"@TITLE@", escaped(name)},
        {"@SCRIPT_HASH@", hashOf(script)},
        {"@STYLE_HASH@", hashOf(style)},
        {"@STILL_TEXT@", escaped(text)},
        {"@STILL@", *still},
        {"@INFO@", inScript(info(pictures, *still, text).dump())},
        {"@MENU@", inScript(writeMenu(project_, measured))},
        {"@RUNTIME@", packed(runtime)},
        {"@STYLE@", style},
        {"@SCRIPT@", script}};
    page_.html = filled(resource("page.html"), fields);
    return std::move(page_);
  }

 private:
  // Each field once over, so that nothing that was put in is taken for one.
  template <class Fields>
  static std::string filled(std::string_view text, const Fields& fields) {
    std::string out;
    while (!text.empty()) {
      size_t at = text.npos;
      const std::pair<const char*, std::string>* next = nullptr;
      for (const auto& field : fields)
        if (const size_t found = text.find(field.first); found < at) at = found, next = &field;
      out += text.substr(0, at);
      if (!next) break;
      out += next->second;
      text.remove_prefix(at + std::string_view(next->first).size());
    }
    return out;
  }

  Json info(const std::vector<PagePicture>& pictures, const std::string& still,
            const std::string& text) {
    Json displays = Json::array(), languages = Json::array(), list = Json::array(),
         sounds = Json::object();
    for (const Display& d : project_.displays)
      displays.push_back({{"id", d.id.text}, {"w", d.width}, {"h", d.height}, {"scale", d.scale}});
    for (const Language& l : project_.languages)
      languages.push_back({{"id", l.id.text}, {"tag", l.tag}, {"rtl", l.rightToLeft}});
    for (size_t n = 0; n < pictures.size(); ++n)
      list.push_back(
          {{"file", pictures[n].name}, {"n", n}, {"w", pictures[n].w}, {"h", pictures[n].h}});
    for (const std::string& file : filesOf(project_).sounds) {
      const auto path = fileInside(folder_, file);
      const auto bytes = path ? readFile(*path) : tl::unexpected(path.error());
      if (bytes)
        sounds[file] = dataUri(typeOfSound(file), *bytes);
      else
        page_.left.push_back(file + ": " + bytes.error().reason);
    }
    const NamedValues& named = *project_.named;
    const bool twoSets = std::any_of(named.begin(), named.end(),
                                     [](const auto& each) { return each.dark.has_value(); });
    return {{"displays", displays},
            {"languages", languages},
            {"pictures", list},
            {"sounds", sounds},
            {"darkSet", project_.settings.darkSet},
            {"twoSets", twoSets},
            {"still", still},
            {"stillText", text}};
  }

  // The fonts that the project carries along, but those whose makers forbid it.
  std::string fontRules() {
    std::string out;
    for (const QString& file : fontFilesOf(toQt(folder_))) {
      const std::string name = fromQt(file);
      const auto path = fileInside(folder_, name);
      const auto bytes = path ? readFile(*path) : tl::unexpected(path.error());
      if (!bytes) {
        page_.left.push_back(name + ": " + bytes.error().reason);
        continue;
      }
      if (isClosedFont(*bytes)) {
        page_.left.push_back(name + ": its maker lets nobody carry it along");
        continue;
      }
      const QRawFont font(QByteArray::fromStdString(*bytes), 16);
      if (!font.isValid()) {
        page_.left.push_back(name + ": is no font");
        continue;
      }
      const std::string family = fromQt(font.familyName());
      out +=
          fmt::format("@font-face{{font-family:{};font-weight:{};font-style:{};src:url(\"{}\")}}\n",
                      Json(family).dump(), weightOf(font),
                      font.style() == QFont::StyleNormal ? "normal" : "italic",
                      dataUri(name.ends_with(".otf") ? "font/otf" : "font/ttf", *bytes));
    }
    return out;
  }

  // What is shown where it cannot run.
  Result<std::string> firstScreen() {
    const Screen* screen = find(project_, project_.first);
    if (!screen) return fail(project_.name, "it has no first screen");
    const Showing showing(project_.displays[0]);
    const FontMeasure measure;
    auto image = canvasOf({showing.display.width, showing.display.height}, "the first screen");
    if (!image) return tl::unexpected(image.error());
    image->fill(Qt::black);
    QPainter painter(&*image);
    painter.scale(showing.display.scale, showing.display.scale);
    LookTables tables;
    paintScreen(painter, looks_, tables, project_, *screen,
                layOut(project_, *screen, showing, measure));
    painter.end();
    const QImage small =
        image->width() > 960 ? image->scaledToWidth(960, Qt::SmoothTransformation) : *image;
    const auto png = pngOf(small, "the first screen");
    return png ? Result<std::string>(dataUri("image/png", *png)) : tl::unexpected(png.error());
  }

  const Project& project_;
  LookPainter& looks_;
  const std::string& folder_;
  WebPage page_;
};

}  // namespace

Result<std::string> pageRuntime() {
  const QDir beside(QCoreApplication::applicationDirPath());
  QStringList places;
  if (const QByteArray own = qgetenv("BRISTLE_PAGE_RUNTIME"); !own.isEmpty())
    places << QString::fromLocal8Bit(own);
  for (const char* place :
       {"../share/bristle/page.wasm", "../wasm/page.wasm", "../../wasm/page.wasm"})
    places << beside.absoluteFilePath(QLatin1String(place));
  for (const QString& place : places)
    if (auto bytes = readFile(fromQt(place))) return *bytes;
  return fail("page.wasm", "the runtime for pages is not there; “./dev build wasm” makes it");
}

Result<WebPage> webPage(const Project& project, LookPainter& looks, const std::string& folder,
                        const std::string& runtime) {
  needPageResource();
  if (project.displays.empty()) return fail(project.name, "it has no display");
  return Making(project, looks, folder).make(runtime);
}

}  // namespace bristle
