using System.Text.RegularExpressions;
using AbleMend.Core;
using AbleMend.Core.Words;

namespace AbleMend.Server.Http;

/// <summary>What is wrong with a request that cannot be read, in the words of the shop: the framework names its own types.</summary>
internal static partial class UnreadRequests
{
    private static readonly Dictionary<string, string> Headers = new() { ["version"] = "If-Match", ["key"] = Deed.Header };

    /// <summary>The problem of a request that could not be bound.</summary>
    /// <param name="bad">What the framework says.</param>
    public static Problem Explain(BadHttpRequestException bad)
    {
        var parameter = Parameter().Match(bad.Message);
        if (!parameter.Success)
        {
            return new Problem("bad-request", "", "This request broke off, or is not as a request has to be.", "Send it again.");
        }

        var name = parameter.Groups["name"].Value;
        var field = Headers.GetValueOrDefault(name, name);
        Message missing = "This is missing from the request.";
        Message unread = "This cannot be read.";
        return bad.Message.EndsWith("from body.", StringComparison.Ordinal)
            ? new Problem("no-body", "", "The request has no body.", "Send it as JSON.")
            : new Problem("bad-request", field, bad.Message.StartsWith("Required", StringComparison.Ordinal) ? missing : unread,
                parameter.Groups["type"].Value.StartsWith("int", StringComparison.Ordinal) ? (Message)"Give a whole number." : "Check how it is written.");
    }

    [GeneratedRegex("parameter \"(?<type>[^\" ]+) (?<name>[^\"]+)\"")]
    private static partial Regex Parameter();
}
