"""Builds odd but sound fonts with fontTools into the folder given: 60,000 glyphs, and glyphs of no width."""
import sys

from fontTools.fontBuilder import FontBuilder
from fontTools.pens.ttGlyphPen import TTGlyphPen


def box(width):
    pen = TTGlyphPen(None)
    pen.moveTo((50, 0))
    pen.lineTo((50, 700))
    pen.lineTo((width - 50, 700))
    pen.lineTo((width - 50, 0))
    pen.closePath()
    return pen.glyph()


def build(path, glyph_count, advance):
    names = [".notdef"] + [f"g{n}" for n in range(1, glyph_count)]
    builder = FontBuilder(1000, isTTF=True)
    builder.setupGlyphOrder(names)
    builder.setupCharacterMap({0x20 + n: names[n + 1] for n in range(0, min(95, glyph_count - 1))})
    shape = box(600)
    builder.setupGlyf({name: shape for name in names})
    builder.setupHorizontalMetrics({name: (advance if name != ".notdef" else 600, 50) for name in names})
    builder.setupHorizontalHeader(ascent=800, descent=-200)
    builder.setupNameTable({"familyName": "Probe", "styleName": "Regular"})
    builder.setupOS2()
    builder.setupPost(keepGlyphNames=False)
    builder.save(path)


build(sys.argv[1] + "/many.ttf", 60000, 600)
build(sys.argv[1] + "/narrow.ttf", 120, 0)
