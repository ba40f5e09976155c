using System.Collections;
using System.Collections.Concurrent;
using System.Reflection;
using System.Text.Json;
using AbleMend.Core.Words;

namespace AbleMend.Core.Limits;

/// <summary>
/// Checks whatever is read against the limits that stand on its fields, all the way down. Where none stands, a number is finite, a date lies
/// in a shop's time, and a text is one that can be seen. Nothing is clamped.
/// </summary>
public static class LimitTable
{
    private static readonly ConcurrentDictionary<Type, IReadOnlyList<Field>> Fields = new();

    /// <summary>Every field that is out of its limits, by its path.</summary>
    /// <param name="value">What was read.</param>
    /// <param name="path">Path of it; empty for the whole document.</param>
    public static IReadOnlyList<Problem> Check(object value, string path = "")
    {
        var problems = new List<Problem>();
        Walk(value, new Trail(null, path, null), problems);
        return problems;
    }

    /// <summary>The limits that stand on the number fields of a document, all the way down, by their paths: an entry of a list is written <c>[]</c>.</summary>
    /// <param name="document">Type of the document.</param>
    public static IReadOnlyDictionary<string, LimitsAttribute> Of(Type document)
    {
        var found = new Dictionary<string, LimitsAttribute>();
        Collect(document, "", found);
        return found;
    }

    private static void Collect(Type type, string path, Dictionary<string, LimitsAttribute> found)
    {
        foreach (var kind in type.GetCustomAttributes<System.Text.Json.Serialization.JsonDerivedTypeAttribute>())
        {
            Collect(kind.DerivedType, path, found);
        }

        foreach (var field in Fields.GetOrAdd(type, Read))
        {
            var at = path.Length == 0 ? field.Name : $"{path}.{field.Name}";
            if (field.Limits is { } limits)
            {
                found[at] = limits;
            }

            if (field.Deeper)
            {
                Collect(Entry(field.Type), field.Type.IsGenericType ? $"{at}[]" : at, found);
            }
        }
    }

    private static void Walk(object value, Trail trail, List<Problem> problems)
    {
        foreach (var field in Fields.GetOrAdd(value.GetType(), Read))
        {
            if (field.Get(value) is { } held)
            {
                Check(held, field, trail.To(field.Name), problems);
            }
        }
    }

    private static void Check(object held, Field field, Trail trail, List<Problem> problems)
    {
        if (field.Limits is { } limits && Convert.ToDouble(held, System.Globalization.CultureInfo.InvariantCulture) is var number && !OutOfRange.Holds(number, limits.Least, limits.Most))
        {
            problems.Add(OutOfRange.Of(number, limits.Least, limits.Most, trail.ToString(), limits.Unit)!);
        }

        if (field.Size is { } size)
        {
            CheckSize(held, size, trail, problems);
        }

        CheckPlain(held, field, trail, problems);
        if (!field.Deeper)
        {
            return;
        }

        if (held is IEnumerable list)
        {
            // A list that is longer than it may be is told once, and not walked.
            foreach (var (i, entry) in list.Cast<object?>().Take(field.Size?.Most ?? int.MaxValue).Index())
            {
                if (entry is null)
                {
                    problems.Add(new Problem("missing", trail.Entry(i).ToString(), "This entry of the list is empty.", "Fill it in, or remove the entry."));
                    continue;
                }

                Walk(entry, trail.Entry(i), problems);
            }
        }
        else
        {
            Walk(held, trail, problems);
        }
    }

    private static void CheckSize(object held, SizeAttribute size, Trail trail, List<Problem> problems)
    {
        if (held is string text)
        {
            if (text.Length < size.Least || text.Length > size.Most || (size.Least > 0 && string.IsNullOrWhiteSpace(text)))
            {
                problems.Add(new Problem("bad-length", trail.ToString(), $"This is empty, or longer than {size.Most} characters.", $"Write {size.Least} to {size.Most} characters."));
            }
        }
        else if (held is ICollection list ? list.Count < size.Least || list.Count > size.Most : ((IEnumerable)held).Cast<object?>().Count() is var count && (count < size.Least || count > size.Most))
        {
            problems.Add(new Problem("bad-count", trail.ToString(), $"This holds fewer than {size.Least} or more than {size.Most} entries.", $"Give {size.Least} to {size.Most} of them."));
        }
    }

    /// <summary>The first and the last year that a date may lie in.</summary>
    private const int FirstYear = 2000, LastYear = 2200;

    /// <summary>What holds of every field, whatever else stands on it.</summary>
    private static void CheckPlain(object held, Field field, Trail trail, List<Problem> problems)
    {
        switch (held)
        {
            case double number when field.Limits is null && !double.IsFinite(number):
                problems.Add(new Problem("out-of-range", trail.ToString(), "That is no number.", "Write it in digits, such as 3.5."));
                break;
            case DateOnly { Year: < FirstYear or > LastYear } or DateTimeOffset { Year: < FirstYear or > LastYear }:
                problems.Add(new Problem("absurd-date", trail.ToString(), $"The date lies outside the years {Year(FirstYear)} to {Year(LastYear)}.", "Check the year."));
                break;
            case string text:
                CheckText(text, field.Size, trail, problems);
                break;
            case IEnumerable<string> texts:
                foreach (var (i, text) in texts.Take(field.Size?.Most ?? int.MaxValue).Index())
                {
                    CheckText(text, null, trail.Entry(i), problems);
                }

                break;
            case IReadOnlyDictionary<string, string> pairs:
                foreach (var text in pairs.SelectMany(pair => new[] { pair.Key, pair.Value }))
                {
                    CheckText(text, null, trail, problems);
                }

                break;
        }
    }

    private static void CheckText(string? text, SizeAttribute? size, Trail trail, List<Problem> problems)
    {
        if (text is null)
        {
            problems.Add(new Problem("missing", trail.ToString(), "This is empty.", "Write something, or leave it out."));
        }
        else if (size is null && text.Length > PlainText.MostCharacters)
        {
            problems.Add(new Problem("bad-length", trail.ToString(), $"This is longer than {PlainText.MostCharacters} characters.", $"Write at most {PlainText.MostCharacters} characters."));
        }
        else if (PlainText.Fault(text, "", size?.Lines == true) is { } unseen)
        {
            problems.Add(unseen with { Field = trail.ToString() });
        }
    }

    private static TextArgument Year(int year) => new(year.ToString(System.Globalization.CultureInfo.InvariantCulture));

    /// <summary>Where a walk is; put into words only when something is wrong there.</summary>
    private sealed record Trail(Trail? Before, string Name, int? Index)
    {
        public Trail To(string name) => new(this, name, null);

        public Trail Entry(int index) => this with { Index = index };

        public override string ToString()
        {
            var before = Before?.ToString() ?? "";
            return (before.Length == 0 ? Name : $"{before}.{Name}") + (Index is { } i ? $"[{i}]" : "");
        }
    }

    private static IReadOnlyList<Field> Read(Type type) =>
    [
        .. type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
            .Where(property => property.GetIndexParameters().Length == 0 && property.GetCustomAttribute<System.Text.Json.Serialization.JsonIgnoreAttribute>() is null)
            .Select(property => new Field(
                JsonNamingPolicy.CamelCase.ConvertName(property.Name), property.GetValue,
                property.GetCustomAttribute<LimitsAttribute>(), property.GetCustomAttribute<SizeAttribute>(), IsDeeper(property.PropertyType), property.PropertyType))
            .Where(field => field.Limits is not null || field.Size is not null || field.Deeper || IsPlain(field.Type)),
    ];

    private static bool IsDeeper(Type type)
    {
        var entry = Entry(type);
        return entry.IsClass && entry != typeof(string) && entry.Assembly == typeof(LimitTable).Assembly && entry != typeof(Message);
    }

    /// <summary>Whether a field is one of those of which something holds though no limit stands on it.</summary>
    private static bool IsPlain(Type type) =>
        (Nullable.GetUnderlyingType(type) ?? type) is var plain
        && (plain == typeof(double) || plain == typeof(DateOnly) || plain == typeof(DateTimeOffset) || plain == typeof(string)
            || typeof(IEnumerable<string>).IsAssignableFrom(plain) || typeof(IReadOnlyDictionary<string, string>).IsAssignableFrom(plain));

    private static Type Entry(Type type) => type.IsGenericType ? type.GetGenericArguments()[^1] : type;

    /// <summary>A field with what stands on it.</summary>
    private sealed record Field(string Name, Func<object, object?> Get, LimitsAttribute? Limits, SizeAttribute? Size, bool Deeper, Type Type);
}
