using System.Globalization;
using NetTopologySuite.Geometries;

namespace Zymethos.Workshop.Svg;

/// <summary>Reads the path of an SVG into lines of points: all commands of SVG 1.1 §8.3, bows in steps that stay within a
/// tolerance.</summary>
internal sealed class SvgPath
{
    private readonly string _text;
    private readonly double _tolerance;
    private readonly int _most;
    private readonly List<List<Coordinate>> _lines = [];
    private int _at;
    private int _count;
    private double _x;
    private double _y;

    private SvgPath(string text, double tolerance, int most) => (_text, _tolerance, _most) = (text, tolerance, most);

    /// <summary>The lines of a path.</summary>
    /// <param name="text">What stands in "d".</param>
    /// <param name="tolerance">How far a bow may be from its steps, in the path's units, above 0.</param>
    /// <param name="most">The most points.</param>
    /// <exception cref="FormatException">It is no path, or has too many points; the message says which.</exception>
    public static List<List<Coordinate>> Read(string text, double tolerance, int most)
    {
        var path = new SvgPath(text, tolerance, most);
        path.Read();
        return path._lines;
    }

    private void Read()
    {
        var command = '\0';
        var (controlX, controlY, last) = (0.0, 0.0, '\0');
        while (true)
        {
            Skip();
            if (_at >= _text.Length)
                return;
            if (char.IsAsciiLetter(_text[_at]))
                command = _text[_at++];
            else if (command is '\0' or 'Z' or 'z')
                throw new FormatException("A path begins with a command.");
            else if (command is 'M')
                command = 'L';
            else if (command is 'm')
                command = 'l';
            var (fromX, fromY) = char.IsLower(command) ? (_x, _y) : (0.0, 0.0);
            var kind = char.ToUpperInvariant(command);
            if (kind != 'M' && kind != 'Z' && _lines.Count == 0)
                throw new FormatException("A path begins with “move to”.");
            switch (kind)
            {
                case 'M':
                    (_x, _y) = (fromX + Number(), fromY + Number());
                    _lines.Add([]);
                    Add(_x, _y);
                    break;
                case 'Z':
                    if (_lines.Count > 0 && _lines[^1].Count > 0)
                    {
                        var first = _lines[^1][0];
                        Add(first.X, first.Y);
                        // What goes on after a closed line begins where that one began.
                        _lines.Add([]);
                        Add(first.X, first.Y);
                    }

                    break;
                case 'L':
                    Add(fromX + Number(), fromY + Number());
                    break;
                case 'H':
                    Add(fromX + Number(), _y);
                    break;
                case 'V':
                    Add(_x, fromY + Number());
                    break;
                case 'C':
                {
                    var (ax, ay) = (fromX + Number(), fromY + Number());
                    (controlX, controlY) = (fromX + Number(), fromY + Number());
                    Cubic(ax, ay, controlX, controlY, fromX + Number(), fromY + Number());
                    break;
                }
                case 'S':
                {
                    var (ax, ay) = last is 'C' or 'S' ? ((2 * _x) - controlX, (2 * _y) - controlY) : (_x, _y);
                    (controlX, controlY) = (fromX + Number(), fromY + Number());
                    Cubic(ax, ay, controlX, controlY, fromX + Number(), fromY + Number());
                    break;
                }
                case 'Q':
                    (controlX, controlY) = (fromX + Number(), fromY + Number());
                    Quadratic(controlX, controlY, fromX + Number(), fromY + Number());
                    break;
                case 'T':
                    (controlX, controlY) = last is 'Q' or 'T' ? ((2 * _x) - controlX, (2 * _y) - controlY) : (_x, _y);
                    Quadratic(controlX, controlY, fromX + Number(), fromY + Number());
                    break;
                case 'A':
                    Arc(Number(), Number(), Number(), Flag(), Flag(), fromX + Number(), fromY + Number());
                    break;
                default:
                    throw new FormatException($"“{command}” is no command of a path.");
            }

            last = kind;
        }
    }

    private void Add(double x, double y)
    {
        if (!double.IsFinite(x) || !double.IsFinite(y))
            throw new FormatException("A point of the path lies nowhere.");
        if (++_count > _most)
            throw new FormatException($"A drawing has up to {_most:N0} points.");
        _lines[^1].Add(new Coordinate(x, y));
        (_x, _y) = (x, y);
    }

    private void Quadratic(double ax, double ay, double x, double y) =>
        Cubic(_x + (2.0 / 3 * (ax - _x)), _y + (2.0 / 3 * (ay - _y)), x + (2.0 / 3 * (ax - x)), y + (2.0 / 3 * (ay - y)), x, y);

    /// <summary>A cubic bow in even steps, as many as its second differences ask for.</summary>
    private void Cubic(double ax, double ay, double bx, double by, double x, double y)
    {
        var (x0, y0) = (_x, _y);
        var bend = Math.Max(
            Math.Abs(x0 - (2 * ax) + bx) + Math.Abs(y0 - (2 * ay) + by),
            Math.Abs(ax - (2 * bx) + x) + Math.Abs(ay - (2 * by) + y)
        );
        var steps = Steps(Math.Sqrt(0.75 * bend / _tolerance));
        for (var i = 1; i <= steps; i++)
        {
            var (t, u) = ((double)i / steps, 1 - ((double)i / steps));
            Add(
                (u * u * u * x0) + (3 * u * u * t * ax) + (3 * u * t * t * bx) + (t * t * t * x),
                (u * u * u * y0) + (3 * u * u * t * ay) + (3 * u * t * t * by) + (t * t * t * y)
            );
        }
    }

    /// <summary>An elliptic bow, by SVG 1.1 appendix F.6 (from the ends to the middle).</summary>
    private void Arc(double rx, double ry, double degrees, bool isLarge, bool isClockwise, double x, double y)
    {
        (rx, ry) = (Math.Abs(rx), Math.Abs(ry));
        if (rx == 0 || ry == 0 || (x == _x && y == _y))
        {
            Add(x, y);
            return;
        }

        var (x0, y0, phi) = (_x, _y, degrees * Math.PI / 180);
        var (cos, sin) = (Math.Cos(phi), Math.Sin(phi));
        var (dx, dy) = ((x0 - x) / 2, (y0 - y) / 2);
        var (px, py) = ((cos * dx) + (sin * dy), (cos * dy) - (sin * dx));
        var grow = (px * px / (rx * rx)) + (py * py / (ry * ry));
        if (grow > 1)
            (rx, ry) = (rx * Math.Sqrt(grow), ry * Math.Sqrt(grow));
        var under = (rx * rx * py * py) + (ry * ry * px * px);
        var factor = Math.Sqrt(Math.Max(0, ((rx * rx * ry * ry) - under) / under)) * (isLarge == isClockwise ? -1 : 1);
        var (cx, cy) = (factor * rx * py / ry, -factor * ry * px / rx);
        var (middleX, middleY) = ((cos * cx) - (sin * cy) + ((x0 + x) / 2), (sin * cx) + (cos * cy) + ((y0 + y) / 2));
        var from = Math.Atan2((py - cy) / ry, (px - cx) / rx);
        var sweep = Math.Atan2((-py - cy) / ry, (-px - cx) / rx) - from;
        if (isClockwise && sweep < 0)
            sweep += 2 * Math.PI;
        if (!isClockwise && sweep > 0)
            sweep -= 2 * Math.PI;
        var steps = Steps(Math.Abs(sweep) / Math.Max(0.02, 2 * Math.Acos(Math.Max(0, 1 - (_tolerance / Math.Max(rx, ry))))));
        for (var i = 1; i <= steps; i++)
        {
            var angle = from + (sweep * i / steps);
            var (ex, ey) = (rx * Math.Cos(angle), ry * Math.Sin(angle));
            if (i == steps)
                Add(x, y);
            else
                Add(middleX + (cos * ex) - (sin * ey), middleY + (sin * ex) + (cos * ey));
        }
    }

    private static int Steps(double wanted) => double.IsFinite(wanted) ? (int)Math.Clamp(Math.Ceiling(wanted), 1, 400) : 400;

    private void Skip()
    {
        while (_at < _text.Length && (char.IsWhiteSpace(_text[_at]) || _text[_at] == ','))
            _at++;
    }

    private bool Flag()
    {
        Skip();
        if (_at < _text.Length && (_text[_at] is '0' or '1'))
            return _text[_at++] == '1';
        throw new FormatException("A bow says 0 or 1 here.");
    }

    private double Number()
    {
        Skip();
        var from = _at;
        if (_at < _text.Length && (_text[_at] is '+' or '-'))
            _at++;
        while (_at < _text.Length && char.IsAsciiDigit(_text[_at]))
            _at++;
        if (_at < _text.Length && _text[_at] == '.')
        {
            _at++;
            while (_at < _text.Length && char.IsAsciiDigit(_text[_at]))
                _at++;
        }

        if (_at + 1 < _text.Length && (_text[_at] is 'e' or 'E') && (char.IsAsciiDigit(_text[_at + 1]) || _text[_at + 1] is '+' or '-'))
        {
            _at += 2;
            while (_at < _text.Length && char.IsAsciiDigit(_text[_at]))
                _at++;
        }

        return double.TryParse(_text.AsSpan(from, _at - from), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            ? number
            : throw new FormatException("A number is missing in the path.");
    }
}
