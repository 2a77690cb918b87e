#include "desktop/shape/named_page.h"

#include <QCheckBox>
#include <QFileDialog>
#include <QHeaderView>
#include <QPainter>

#include "core/edit/named_edits.h"
#include "core/formats/file_io.h"
#include "core/formats/tokens_file.h"
#include "desktop/view/ask_file.h"
#include "desktop/view/refused.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

enum Columns { Name, Type, Light, Dark, Uses };

constexpr NamedType kTypes[] = {NamedType::Colour, NamedType::Length,   NamedType::Number,
                                NamedType::Font,   NamedType::Weight,   NamedType::Duration,
                                NamedType::Easing, NamedType::Gradient, NamedType::Shadow};

QIcon swatch(const Value* value, const QColor& edge) {
  if (!value) return {};
  Fill fill;
  if (const auto* colour = std::get_if<Colour>(value)) fill = Fill::solid(*colour);
  if (const auto* gradient = std::get_if<Fill>(value)) fill = *gradient;
  if (const auto* shadow = std::get_if<Shadow>(value)) fill = Fill::solid(shadow->colour);
  if (fill.type == FillType::None) return {};
  QPixmap out(16, 16);
  out.fill(Qt::white);
  QPainter p(&out);
  p.fillRect(out.rect(), brushOf(fill, QRectF(0, 0, 16, 16)));
  p.setPen(edge);
  p.drawRect(0, 0, 15, 15);
  p.end();
  QIcon icon(out);
  icon.addPixmap(out, QIcon::Selected);  // the picked one shows its colour as it is, too
  return icon;
}

}  // namespace

NamedPage::NamedPage(Work& work, QWidget* parent)
    : Page(tr("Named values"),
           tr("Change one here, and everything that uses it changes. A name with dots is in "
              "groups."),
           parent),
      work_(work) {
  table_ = new QTableWidget(0, 5);
  table_->setAccessibleName(tr("Named values"));
  table_->setHorizontalHeaderLabels({tr("Name"), tr("Type"), tr("Light"), tr("Dark"), tr("Used")});
  table_->verticalHeader()->hide();
  table_->setShowGrid(false);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setTabKeyNavigation(false);
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  table_->horizontalHeader()->setSectionResizeMode(Light, QHeaderView::Stretch);
  table_->horizontalHeader()->setSectionResizeMode(Dark, QHeaderView::Stretch);
  table_->setColumnWidth(Name, 190);
  table_->setColumnWidth(Type, 84);
  table_->setColumnWidth(Uses, 52);
  body()->addWidget(table_, 1);
  uses_ = new QLabel;
  uses_->setProperty("quiet", true);
  uses_->setWordWrap(true);
  body()->addWidget(uses_);
  type_ = new QComboBox;
  type_->setAccessibleName(tr("Type"));
  for (NamedType t : kTypes) type_->addItem(toQt(std::string(nameOf(t))));
  name_ = new QLineEdit;
  name_->setAccessibleName(tr("New name"));
  name_->setPlaceholderText(tr("tide.bright"));
  name_->setMinimumWidth(160);
  auto* add = button(tr("Add"));
  connect(add, &QPushButton::clicked, this, &NamedPage::addOne);
  connect(name_, &QLineEdit::returnPressed, this, &NamedPage::addOne);
  auto* up = button(tr("Up"));
  auto* down = button(tr("Down"));
  const auto move = [this](int by) {
    if (const NamedValue* named = current()) {
      const int at = table_->currentRow();
      work_.perform(moveNamed(named->id, by));
      table_->setCurrentCell(std::clamp(at + by, 0, table_->rowCount() - 1), Name);
    }
  };
  connect(up, &QPushButton::clicked, this, [move] { move(-1); });
  connect(down, &QPushButton::clicked, this, [move] { move(1); });
  row({type_, name_, add, up, down});
  replacement_ = new QComboBox;
  replacement_->setAccessibleName(tr("What takes its place"));
  replacement_->setMinimumContentsLength(20);
  remove_ = button(tr("Remove"));
  connect(remove_, &QPushButton::clicked, this, [this] {
    const NamedValue* named = current();
    const int i = replacement_->currentIndex();
    if (named) work_.perform(removeNamed(named->id, i > 0 ? others_[size_t(i) - 1] : NamedId{}));
  });
  dark_ = new QCheckBox(tr("Show the dark set"));
  dark_->setAccessibleName(dark_->text());
  connect(dark_, &QCheckBox::clicked, this, [this](bool on) {
    work_.perform({"show a set", {}, [on](const Project& before) -> Result<Project> {
                     Project after = before;
                     after.settings.darkSet = on;
                     return after;
                   }});
  });
  auto* import = button(tr("Import tokens…"));
  auto* exporting = button(tr("Export tokens…"));
  const QString filter = tr("Design tokens (*.tokens.json *.json)");
  connect(import, &QPushButton::clicked, this, [this, filter] {
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Import tokens"), work_.folder(), filter);
    if (!path.isEmpty()) importTokens(path);
  });
  connect(exporting, &QPushButton::clicked, this, [this, filter] {
    const QString ending = QStringLiteral(".tokens.json");
    const QString path =
        askWhereToSave(this, tr("Export tokens"),
                       work_.folder() + QStringLiteral("/") + toQt(work_.project().name) + ending,
                       filter, ending, work_.file());
    if (!path.isEmpty()) exportTokens(path);
  });
  row({remove_, replacement_, dark_, import, exporting});
  connect(table_, &QTableWidget::itemChanged, this, &NamedPage::changed);
  connect(table_, &QTableWidget::currentCellChanged, this, &NamedPage::refreshUses);
  connect(&work, &Work::changed, this, &NamedPage::refresh);
  refresh();
  if (table_->rowCount()) table_->setCurrentCell(0, Light);
  // Into what is there; where nothing is, the first name can be typed at once.
  setFocusProxy(table_->rowCount() ? static_cast<QWidget*>(table_) : name_);
}

const NamedValue* NamedPage::current() const {
  const auto& all = *work_.project().named;
  const int row = table_->currentRow();
  return row >= 0 && size_t(row) < all.size() ? &all[size_t(row)] : nullptr;
}

void NamedPage::addOne() {
  const NamedType type = kTypes[type_->currentIndex()];
  if (!work_.perform(addNamed(type, fromQt(name_->text().trimmed()), startOf(type)))) return;
  name_->clear();
  table_->setCurrentCell(table_->rowCount() - 1, Light);
  table_->setFocus();
}

std::optional<Value> NamedPage::parsed(const NamedValue& named, const QString& text) {
  std::string expected;
  const Naming names = naming(work_.project());
  auto value = parseValue(fromQt(text.trimmed()), startOf(named.type), &expected, &names);
  if (!value) tellRefused(work_, text, expected + ", or another name of its type");
  return value;
}

void NamedPage::changed(QTableWidgetItem* item) {
  if (filling_) return;
  const auto& all = *work_.project().named;
  if (size_t(item->row()) >= all.size()) return;
  const NamedValue named = all[size_t(item->row())];
  const QString text = item->text().trimmed();
  if (item->column() == Name) work_.perform(renameNamed(named.id, fromQt(text)));
  if (item->column() == Light || item->column() == Dark) {
    const bool dark = item->column() == Dark;
    if (dark && text.isEmpty()) {
      work_.perform(setNamed(named.id, true, {}));
    } else if (const auto value = parsed(named, text)) {
      work_.perform(setNamed(named.id, dark, value));
    }
  }
  refresh();  // what was refused shows again as it is
}

void NamedPage::refresh() {
  filling_ = true;
  const Project& p = work_.project();
  const Naming light{&*p.named, false}, dark{&*p.named, true};
  table_->setRowCount(int(p.named->size()));
  for (size_t i = 0; i < p.named->size(); ++i) {
    const NamedValue& named = (*p.named)[i];
    const QString cells[] = {toQt(named.name), toQt(std::string(nameOf(named.type))),
                             toQt(toText(named.value, &light)),
                             named.dark ? toQt(toText(*named.dark, &light)) : QString(),
                             QString::number(usesOf(p, named.id).size())};
    const QColor edge = themeOf(this).quiet;
    for (int c = 0; c < 5; ++c) {
      QTableWidgetItem* item = table_->item(int(i), c);
      if (!item) table_->setItem(int(i), c, item = new QTableWidgetItem);
      item->setText(cells[c]);
      const bool fixed = c == Type || c == Uses;
      item->setFlags(fixed ? Qt::ItemIsEnabled | Qt::ItemIsSelectable
                           : Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable);
      if (c == Light) item->setIcon(swatch(light.settle(named.id), edge));
      if (c == Dark) item->setIcon(named.dark ? swatch(dark.settle(named.id), edge) : QIcon());
    }
  }
  dark_->setChecked(p.settings.darkSet);
  filling_ = false;
  refreshUses();
}

// Where the picked one is used, and what could take its place.
void NamedPage::refreshUses() {
  if (filling_) return;
  const NamedValue* named = current();
  remove_->setEnabled(named);
  replacement_->setEnabled(named);
  replacement_->clear();
  others_.clear();
  if (!named)
    return uses_->setText(tr("Nothing has a name yet: add one here, or name a value on the card."));
  const auto uses = usesOf(work_.project(), named->id);
  QStringList places;
  for (size_t i = 0; i < uses.size() && i < 6; ++i) places << toQt(uses[i].place);
  if (uses.size() > 6) places << tr("and %1 more").arg(uses.size() - 6);
  uses_->setText(uses.empty() ? tr("“%1” is not used yet.").arg(toQt(named->name))
                              : tr("Used in %1").arg(places.join(QStringLiteral("  ·  "))));
  replacement_->addItem(uses.empty() ? tr("it is used nowhere")
                                     : tr("what uses it keeps the plain value"));
  for (const NamedValue& other : *work_.project().named)
    if (other.type == named->type && other.id != named->id) {
      others_.push_back(other.id);
      replacement_->addItem(tr("“%1” takes its place").arg(toQt(other.name)));
    }
}

bool NamedPage::importTokens(const QString& path) {
  const auto text = readFile(fromQt(path));
  if (!text) return work_.tell(toQt(text.error().text()), true), false;
  auto tokens = parseTokens(*text);
  if (!tokens) {
    work_.tell(tr("Nothing is imported. %1 %2").arg(path, toQt(tokens.error().text())), true);
    return false;
  }
  const size_t count = tokens->values.size(), kept = tokens->kept.size();
  if (!work_.perform(takeNamed(std::move(tokens->values), tokens->foreign))) return false;
  work_.tell(kept
                 ? tr("%1 values imported; %2 of types that are not used here are kept as they are")
                       .arg(count)
                       .arg(kept)
                 : tr("%1 values imported").arg(count));
  return true;
}

bool NamedPage::exportTokens(const QString& path) {
  const Project& p = work_.project();
  const auto written = writeFile(fromQt(path), writeTokens(*p.named, p.foreignTokens));
  if (!written) return work_.tell(toQt(written.error().text()), true), false;
  work_.tell(tr("%1 values exported to %2").arg(p.named->size()).arg(path));
  return true;
}

}  // namespace bristle
