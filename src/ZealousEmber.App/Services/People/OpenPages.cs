using System.Collections.Concurrent;
using Microsoft.AspNetCore.SignalR;
using ZealousEmber.App.Http;

namespace ZealousEmber.App.Services.People;

/// <summary>The open connections of pages, each with the cookies it was opened with.</summary>
internal sealed class OpenPages(SignedIn signedIn, Cookies cookies)
{
    private readonly record struct Page(HubCallerContext Connection, string? Session, string? Device, Caller Opened);

    private readonly ConcurrentDictionary<string, Page> open = new();

    public void Opened(HubCallerContext connection, HttpContext http)
    {
        if (http.Caller() is { } caller)
            open[connection.ConnectionId] = new Page(connection, cookies.SessionKey(http.Request), cookies.DeviceKey(http.Request), caller);
    }

    public void Closed(string connection) => open.TryRemove(connection, out _);

    /// <summary>Closes those whose session is over, whose device was taken away, or that were opened before there were accounts.</summary>
    public void CloseEnded()
    {
        foreach (var page in open.Values)
        {
            var now = signedIn.Who(page.Session, page.Device, isByHand: false);
            if (now is null || now.SessionId != page.Opened.SessionId || now.IsAlone != page.Opened.IsAlone)
                page.Connection.Abort();
        }
    }
}
