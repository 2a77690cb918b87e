#include "desktop/work/theme.h"

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <QStyleFactory>
#include <QVariant>
#include <QWidget>
#include <memory>

namespace bristle {
namespace {

using Kept = std::shared_ptr<const Theme>;
constexpr const char* kProperty = "bristleTheme";

QPalette paletteOf(const Theme& t) {
  QPalette p;
  p.setColor(QPalette::Window, t.chrome);
  p.setColor(QPalette::WindowText, t.ink);
  p.setColor(QPalette::Base, t.raised);
  p.setColor(QPalette::AlternateBase, t.band);
  p.setColor(QPalette::Text, t.ink);
  p.setColor(QPalette::Mid, t.line);
  p.setColor(QPalette::Button, t.chrome);
  p.setColor(QPalette::ButtonText, t.ink);
  p.setColor(QPalette::Highlight, t.accent);
  p.setColor(QPalette::HighlightedText, t.onAccent);
  p.setColor(QPalette::ToolTipBase, t.raised);
  p.setColor(QPalette::ToolTipText, t.ink);
  p.setColor(QPalette::PlaceholderText, t.quiet);
  for (auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
    p.setColor(QPalette::Disabled, role, t.quiet);
  return p;
}

// %1 … %9: chrome, raised, band, line, ink, quiet, accent, on accent, wrong.
constexpr const char* kSheet = R"(
QToolTip { background: %2; color: %5; border: 1px solid %4; padding: 4px; }
QMenuBar, QMenu { background: %1; color: %5; }
QMenuBar::item { padding: 4px 8px; background: transparent; }
QMenuBar::item:selected, QMenu::item:selected { background: %7; color: %8; }
QMenu { border: 1px solid %4; padding: 4px 0; }
QMenu::item { padding: 5px 24px 5px 16px; }
QMenu::item:disabled { color: %6; }
QMenu::separator { height: 1px; background: %4; margin: 4px 8px; }
QPushButton, QToolButton { background: transparent; color: %5; border: 1px solid %4;
  border-radius: 4px; padding: 4px 10px; min-height: 16px; }
QToolButton { padding: 4px 8px; }
QPushButton:hover, QToolButton:hover { background: %3; }
QPushButton:pressed, QToolButton:pressed { background: %4; }
QPushButton:checked, QToolButton:checked { border-color: %7; color: %7; background: %2; }
QPushButton:focus, QToolButton:focus { border: 2px solid %7; padding: 3px 9px; outline: none; }
QToolButton:focus { padding: 3px 7px; }
QPushButton:disabled, QToolButton:disabled { color: %6; border-style: dashed; }
QPushButton[main="true"] { background: %7; color: %8; border-color: %7; font-weight: 600; }
QPushButton[main="true"]:disabled { background: %3; color: %6; border: 1px dashed %4; }
QToolButton[plain="true"]:checked { border-color: %7; }
QPushButton[main="true"]:focus { border: 2px solid %5; }
QPushButton[plain="true"], QToolButton[plain="true"] { border-color: transparent; }
QPushButton[plain="true"]:focus, QToolButton[plain="true"]:focus { border: 2px solid %7; }
QPushButton[plain="true"]:disabled, QToolButton[plain="true"]:disabled { border-color: transparent; }
QLineEdit, QPlainTextEdit, QComboBox, QAbstractSpinBox { background: %2; color: %5;
  border: 1px solid %4; border-radius: 4px; padding: 3px 6px; min-height: 18px;
  selection-background-color: %7; selection-color: %8; }
QLineEdit:focus, QPlainTextEdit:focus, QComboBox:focus, QAbstractSpinBox:focus { border: 2px solid %7; padding: 2px 5px; }
QLineEdit[bad="true"] { border: 2px solid %9; padding: 2px 5px; }
QComboBox QAbstractItemView, QComboBox QAbstractItemView:focus { background: %2; color: %5; border: 1px solid %6; border-radius: 0;
  selection-background-color: %7; selection-color: %8; }
QComboBox { combobox-popup: 0; }
QComboBox::drop-down { border: none; width: 16px; }
QCheckBox { color: %5; spacing: 8px; padding: 2px; border: 2px solid transparent; border-radius: 4px; }
QCheckBox::indicator, QListView::indicator, QTreeView::indicator { width: 14px; height: 14px; border: 1px solid %6; border-radius: 3px; background: %2; }
QCheckBox::indicator:checked, QListView::indicator:checked, QTreeView::indicator:checked { image: url(:/icons/check%a.svg); border-color: %7; }
QCheckBox:focus { border-color: %7; }
QLabel { color: %5; background: transparent; }
QLabel[quiet="true"] { color: %6; }
QLabel[wrong="true"], QToolButton[wrong="true"] { color: %9; font-weight: 600; }
QLabel[heading="true"] { font-size: 11px; font-weight: 600; color: %6; letter-spacing: 1px; }
QLabel[title="true"] { font-size: 15px; font-weight: 600; }
QListView, QListWidget, QTableView, QTreeView, QScrollArea { background: %1; color: %5; border: none; outline: none; }
QListView::item { padding: 2px 4px; border: 2px solid transparent; border-radius: 5px; color: %5; }
QListView::item:selected { background: %2; color: %5; border: 1px solid %7; }
QTreeView::item { height: 24px; border: none; color: %5; }
QTreeView::item:selected { background: %2; color: %5; }
QTreeView { border: 2px solid transparent; border-radius: 6px; }
QTreeView:focus { border: 2px solid %7; }
QTreeView[plain="true"]::item:selected { background: transparent; }
QListView, QListWidget { border: 2px solid transparent; border-radius: 6px; }
QListView:focus, QListWidget:focus { border: 2px solid %7; }
QLineEdit:disabled, QComboBox:disabled, QPlainTextEdit:disabled { color: %6; background: %1; border-style: dashed; }
QCheckBox:disabled { color: %6; }
QComboBox::down-arrow { image: url(:/icons/chevron%a.svg); width: 10px; height: 10px; }
QToolButton::menu-indicator { image: url(:/icons/chevron%a.svg); width: 10px; height: 10px;
  subcontrol-position: right center; subcontrol-origin: padding; right: 6px; }
QToolButton[popup="true"] { padding-right: 22px; }
QPushButton[tab="true"] { border: none; border-radius: 0; border-bottom: 3px solid transparent;
  padding: 12px 10px 9px 10px; font-size: 13px; }
QPushButton[tab="true"]:checked { border-bottom: 3px solid %7; color: %7; font-weight: 600; background: transparent; }
QPushButton[tab="true"]:focus { border: 2px solid %7; border-bottom: 3px solid %7; padding: 10px 8px 9px 8px; }
QTableView { gridline-color: %4; selection-background-color: %2; selection-color: %5; }
QTableView::item:selected { background: %2; color: %5; }
QTableView::item:focus { border: 2px solid %7; padding: 0 1px; }
QHeaderView::section { background: %1; color: %6; border: none; padding: 2px 4px; }
QScrollBar:vertical { width: 10px; background: transparent; }
QScrollBar:horizontal { height: 10px; background: transparent; }
QScrollBar::handle { background: %4; border-radius: 4px; min-height: 24px; min-width: 24px; margin: 1px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QSplitter::handle { background: %4; }
)";

}  // namespace

Theme Theme::light() {
  Theme t;
  t.chrome = QColor("#efebe4");
  t.raised = QColor("#fbf9f5");
  t.band = QColor("#e3ded4");
  t.line = QColor("#c9c2b5");
  t.ink = QColor("#24211e");
  t.quiet = QColor("#5f5a53");
  t.accent = QColor("#0f6e6e");
  t.onAccent = QColor("#ffffff");
  t.tint = QColor("#dbe8e4");
  t.pinned = QColor("#b87400");
  t.wrong = QColor("#a53119");
  t.work = QColor("#6e6d6b");
  t.onWork = QColor("#ffffff");
  return t;
}

Theme Theme::darkOne() {
  Theme t;
  t.chrome = QColor("#2a2826");
  t.raised = QColor("#383532");
  t.band = QColor("#33302d");
  t.line = QColor("#4f4a45");
  t.ink = QColor("#ece7df");
  t.quiet = QColor("#b5aea4");
  t.accent = QColor("#5cc0bb");
  t.onAccent = QColor("#10201f");
  t.tint = QColor("#2c3c3a");
  t.pinned = QColor("#e8ac45");
  t.wrong = QColor("#f59a80");
  t.work = QColor("#4b4a48");
  t.onWork = QColor("#f4f1ea");
  t.dark = true;
  return t;
}

const Theme& themeOf(const QWidget* widget) {
  static const Theme light = Theme::light();
  for (; widget; widget = widget->parentWidget()) {
    widget = widget->window();
    if (const auto kept = widget->property(kProperty).value<Kept>()) return *kept;
  }
  return light;
}

void applyTheme(QWidget& window, const Theme& t) {
  window.setProperty(kProperty, QVariant::fromValue<Kept>(std::make_shared<const Theme>(t)));
  QApplication::setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
  QFont font(QFontDatabase::families().contains(QStringLiteral("Inter"))
                 ? QStringLiteral("Inter")
                 : QApplication::font().family());
  font.setPixelSize(12);
  QApplication::setFont(font);
  QApplication::setPalette(paletteOf(t));
  QString sheet = QString::fromLatin1(kSheet);
  sheet.replace(QStringLiteral("%a"), t.dark ? QStringLiteral("-dark") : QString());
  const QColor roles[] = {t.chrome, t.raised, t.band,     t.line, t.ink,
                          t.quiet,  t.accent, t.onAccent, t.wrong};
  for (const QColor& role : roles) sheet = sheet.arg(role.name());
  window.setStyleSheet(sheet);
}

}  // namespace bristle
